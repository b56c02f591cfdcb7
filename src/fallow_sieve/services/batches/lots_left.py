"""What is left of each lot for a batch: its stock less what earlier plans still need of the ingredient."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.batches.batch import poured_g
from fallow_sieve.core.batches.drawing import Draw, Drawn, LotLeft, split_lots, why_not
from fallow_sieve.core.ingredients import price_per_usable_kg
from fallow_sieve.store.batches import open_batches, weighings_of
from fallow_sieve.store.ingredients import LotOnRecord, lots_of_each
from fallow_sieve.store.stock import open_holds

_NOTHING_G = 1e-6


@dataclass(frozen=True, slots=True)
class LotChoice:
    """A lot to draw from: its code, g left, best before and bought on (ISO), mg/kg, and why it is not drawn."""

    id: int
    code: str
    supplier: str
    stock_g: float
    best_before: str
    bought_on: str
    gluten_mg_per_kg: float | None
    why_not: str


def lots_for(session: Session, slugs: Iterable[str]) -> dict[str, list[LotOnRecord]]:
    """Return every lot of ingredients, by slug."""
    return lots_of_each(session, slugs)


def held_lots(session: Session) -> dict[int, str]:
    """Return the lots that are held, with why, by id."""
    return {h.lot_id: h.why for h in open_holds(session) if h.lot_id is not None}


def lots_left(lots: Sequence[LotOnRecord], held: Iterable[int]) -> list[LotLeft]:
    """Return lots as a plan draws from them."""
    held_ids = set(held)
    return [
        LotLeft(
            x.lot.code, x.lot.stock_g, x.lot.best_before, x.lot.bought_on, x.id in held_ids, x.archived, x.id
        )
        for x in lots
    ]  # fmt: skip


def choices(lots: Sequence[LotOnRecord], held: dict[int, str], on: date) -> list[LotChoice]:
    """Return the lots with something in them, as they are offered at the scale on a day."""
    left = {x.id: x for x in lots_left(lots, held)}
    return [_choice(x, left[x.id], held.get(x.id, ""), on) for x in lots if x.lot.stock_g > _NOTHING_G]


def _choice(x: LotOnRecord, left: LotLeft, held_why: str, on: date) -> LotChoice:
    why = why_not(left, on)
    return LotChoice(
        x.id,
        x.lot.code,
        x.lot.supplier,
        x.lot.stock_g,
        x.lot.best_before.isoformat() if x.lot.best_before else "",
        x.lot.bought_on.isoformat() if x.lot.bought_on else "",
        x.lot.gluten_mg_per_kg,
        f"{why}: {held_why}" if why == "held" and held_why else why,
    )


def reserved_g(session: Session, batch_id: int) -> dict[str, float]:
    """Return what plans made before a batch still need, g by ingredient: a plan reserves, only a weighing moves."""
    earlier = [b for b in open_batches(session) if b.id < batch_id]
    weighed = weighings_of(session, [b.id for b in earlier])
    found: dict[str, float] = {}
    for batch in earlier:
        have = poured_g(weighed[batch.id])
        for slug, target_g in batch.targets_g.items():
            found[slug] = found.get(slug, 0.0) + max(0.0, target_g - have.get(slug, 0.0))
    return found


def drawn_after(need_g: float, reserved: float, lots: Sequence[LotLeft], on: date) -> Drawn:
    """Return from which lots `need_g` g come once `reserved` g are left for others."""
    whole = split_lots(reserved + need_g, lots, on)
    draws, skip_g = [], reserved
    for draw in whole.draws:
        taken_g = max(0.0, draw.mass_g - skip_g)
        skip_g = max(0.0, skip_g - draw.mass_g)
        if taken_g > _NOTHING_G:
            draws.append(Draw(draw.code, taken_g, draw.id))
    return Drawn(tuple(draws), min(need_g, whole.short_g), whole.left_out)


def price_of(draws: Sequence[Draw], lots: Sequence[LotOnRecord]) -> float | None:
    """Return what draws cost by their lots' own prices; None where one has none."""
    prices = {x.id: price_per_usable_kg(x.lot) for x in lots}
    found = [(d.mass_g, prices.get(d.id)) for d in draws]
    return None if any(p is None for _, p in found) else sum(g / 1000 * (p or 0.0) for g, p in found)
