"""What is to be bought: what runs low by its use, what plans need, in which packs it comes at least cost."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from sqlmodel import Session

from fallow_sieve.core.batches.drawing import why_not
from fallow_sieve.core.ingredients import price_per_usable_kg
from fallow_sieve.core.stock.buying import LAST_WEEKS, Packs, packs_for, reorder_point
from fallow_sieve.services.batches.lots_left import held_lots, lots_left, reserved_g
from fallow_sieve.store.ingredients import LotOnRecord, all_lots
from fallow_sieve.store.stock import weekly_use_g

_EVERY_BATCH = 2**53


@dataclass(frozen=True, slots=True)
class Pack:
    """So many packs of a size (g)."""

    size_g: float
    count: int


@dataclass(frozen=True, slots=True)
class ToBuy:
    """An ingredient to buy, g: free, planned, when to buy, need; packs of a supplier, price (None: unknown)."""

    ingredient: str
    supplier: str
    free_g: float
    planned_g: float
    buy_at_g: float
    few_weeks: bool
    need_g: float
    packs: list[Pack]
    price: float | None
    left_over_g: float


def to_buy(session: Session, today: date) -> list[ToBuy]:
    """Return what is to be bought, by supplier. Rule of thumb: d·L + 1.65·s·√L over the last twelve weeks of use."""
    held, planned = held_lots(session), reserved_g(session, _EVERY_BATCH)
    used = weekly_use_g(session, (today - timedelta(weeks=LAST_WEEKS)).isoformat())
    by_slug: dict[str, list[LotOnRecord]] = {}
    for lot in all_lots(session):
        by_slug.setdefault(lot.ingredient, []).append(lot)
    slugs = sorted({*planned, *used})
    found = [
        _row(s, by_slug.get(s, []), held, planned.get(s, 0.0), _weeks(used.get(s, {}), today), today) for s in slugs
    ]
    return sorted((x for x in found if x.need_g > 0), key=lambda x: (x.supplier, x.ingredient))


def _weeks(by_day: dict[str, float], today: date) -> list[float]:
    """Use of each week from the first on record to now, g, the oldest first."""
    if not by_day:
        return []
    weeks = 1 + (today - date.fromisoformat(min(by_day))).days // 7
    sums = [0.0] * min(LAST_WEEKS, weeks)
    for day, mass_g in by_day.items():
        ago = (today - date.fromisoformat(day)).days // 7
        if 0 <= ago < len(sums):
            sums[-1 - ago] += mass_g
    return sums


def _row(
    slug: str, lots: Sequence[LotOnRecord], held: dict[int, str], planned_g: float, weeks: Sequence[float], today: date
) -> ToBuy:
    free_g = sum(x.stock_g for x in lots_left(lots, held) if not why_not(x, today))
    point = reorder_point(weeks)
    low = free_g - planned_g <= point.at_g
    need_g = max(0.0, planned_g - free_g, (point.at_g + planned_g - free_g) if low and point.at_g > 0 else 0.0)
    supplier, packs = _cheapest(need_g, lots)
    return ToBuy(
        slug, supplier, free_g, planned_g, point.at_g, point.few_weeks, need_g,
        [Pack(size, n) for size, n in packs.buy.items()] if packs else [], packs.price if packs else None,
        packs.left_over_g if packs else 0.0,
    )  # fmt: skip


def _cheapest(need_g: float, lots: Sequence[LotOnRecord]) -> tuple[str, Packs | None]:
    offers = [(s, packs_for(need_g, _sizes(lots, s))) for s in _suppliers(lots)]
    priced = [(p.price, s, p) for s, p in offers if p is not None]
    if not priced:
        return next(iter(_suppliers(lots)), ""), None
    _, supplier, packs = min(priced, key=lambda x: x[0])
    return supplier, packs


def _suppliers(lots: Iterable[LotOnRecord]) -> list[str]:
    return list(dict.fromkeys(x.lot.supplier for x in lots if x.lot.supplier))


def _sizes(lots: Iterable[LotOnRecord], supplier: str) -> list[tuple[float, float]]:
    """The packs that a supplier sold before, with their last price; a lot without a pack counts as one sack."""
    found: dict[float, float] = {}
    for x in lots:
        size = x.lot.pack_g or x.lot.bought_g
        per_kg = price_per_usable_kg(x.lot)
        price = x.lot.pack_price if x.lot.pack_g else None if per_kg is None else per_kg * size / 1000
        if x.lot.supplier == supplier and price is not None:
            found[size] = price
    return list(found.items())
