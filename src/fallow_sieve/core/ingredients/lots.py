"""Lots: what was bought, what is left, what it cost, and which is drawn from first."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date

from fallow_sieve.core.values import BadInputError, counted

MOST_G = 1e8
MOST_PRICE = 1e6
MOST_GLUTEN_MG_PER_KG = 1e6


@dataclass(frozen=True, slots=True)
class Lot:
    """A lot in a bin.

    `bought_g` and `stock_g` in g, `pack_price` for a pack of `pack_g` g of which `yield_pct` % can be used, or else
    `price_per_kg` of what can be used; money in the kitchen's currency. `gluten_mg_per_kg` by
    the method `gluten_basis` on the day `gluten_on`; None is unknown. Dates as `date`. `supplier_code` is the sack's
    own number, beside the kitchen's `code`.
    """

    code: str
    bought_g: float
    stock_g: float
    supplier: str = ""
    bought_on: date | None = None
    best_before: date | None = None
    pack_g: float | None = None
    pack_price: float | None = None
    yield_pct: float = 100.0
    price_per_kg: float | None = None
    gluten_mg_per_kg: float | None = None
    gluten_basis: str = ""
    gluten_on: date | None = None
    note: str = ""
    opened_on: date | None = None
    milled_on: date | None = None
    supplier_code: str = ""


FOUND_MORE_PCT = 3.0  # bags hold 1–2 % more than they say; above that it is another lot


def check_lot(lot: Lot, today: date) -> None:
    """Raise BadInputError, naming the field, unless `lot` can be true on the day `today`."""
    if not lot.code.strip():
        raise BadInputError("a lot needs a code", place="/code", right="the number on the bag, or one of your own")
    _within(lot.bought_g, "bought_g", MOST_G, over_0=True, unit="g")
    _within(lot.stock_g, "stock_g", MOST_G, unit="g")
    check_count(lot.stock_g, lot.bought_g)
    for name in ("pack_price", "price_per_kg"):
        _within(getattr(lot, name), name, MOST_PRICE)
    _within(lot.pack_g, "pack_g", MOST_G, over_0=True, unit="g")
    _within(lot.yield_pct, "yield_pct", 100.0, over_0=True, unit="%")
    if (lot.pack_price is None) != (lot.pack_g is None):
        missing = "pack_g" if lot.pack_g is None else "pack_price"
        raise BadInputError("a pack needs both its price and its mass", place=f"/{missing}", right="give both, or none")
    _within(lot.gluten_mg_per_kg, "gluten_mg_per_kg", MOST_GLUTEN_MG_PER_KG, unit="mg/kg")
    if lot.gluten_mg_per_kg is not None and not lot.gluten_basis.strip():
        raise BadInputError(
            "a gluten value without how it is known", place="/gluten_basis", right="name the test or the certificate"
        )
    _check_dates(lot, today)


def check_count(counted_g: float, bought_g: float) -> None:
    """Raise BadInputError where a count finds more than a lot of `bought_g` g can hold.

    >>> check_count(1030, 1000)
    """
    if counted_g > bought_g * (1 + FOUND_MORE_PCT / 100) + 1e-6:
        raise BadInputError(
            f"{counted_g:g} g in stock of {bought_g:g} g bought",
            place="/stock_g",
            right=f"no more can be left than was bought and {FOUND_MORE_PCT:g} % beside; is this another lot?",
        )


def _within(
    value: float | None, name: str, most: float, *, over_0: bool = False, unit: str = "in the kitchen's currency"
) -> None:
    if value is None:
        return
    if not math.isfinite(value) or value > most or value < 0 or (over_0 and value == 0):
        least = "over 0" if over_0 else "0 or more"
        right = f"it must be {least}, at most {most:g} {unit}"
        raise BadInputError(f"{value:g} will not do", place=f"/{name}", right=right)


def _check_dates(lot: Lot, today: date) -> None:
    did = (("bought_on", "bought"), ("gluten_on", "tested"), ("opened_on", "opened"), ("milled_on", "milled"))
    for name, what in did:
        day = getattr(lot, name)
        if day is not None and day > today:
            raise BadInputError(
                f"{what} on {day.isoformat()}, which is still to come", place=f"/{name}", right=f"at the latest {today}"
            )
    if lot.best_before and lot.bought_on and lot.best_before < lot.bought_on:
        raise BadInputError(
            f"best before {lot.best_before}, but bought on {lot.bought_on}",
            place="/best_before",
            right="check the year of both",
        )


def price_per_usable_kg(lot: Lot) -> float | None:
    """Return the price per kg of what can be used, in the kitchen's currency; None where no price is known.

    From the pack where there is one: price ÷ (kg × yield).

    >>> round(price_per_usable_kg(Lot("A", 5000, 5000, pack_g=2500, pack_price=6.0, yield_pct=96.0)), 2)
    2.5
    """
    if lot.pack_price is not None and lot.pack_g is not None:
        return lot.pack_price / (lot.pack_g / 1000 * lot.yield_pct / 100)
    return lot.price_per_kg


@dataclass(frozen=True, slots=True)
class LotStanding:
    """How a lot stands: its place in the order of drawing (1 is next, None is empty) and days left (None: no date)."""

    draw: int | None
    days_left: int | None
    say: str


SOON_DAYS = 30


def standings(lots: Sequence[Lot], today: date) -> tuple[LotStanding, ...]:
    """Return how each of `lots` (of one ingredient) stands on the day `today`: stock leaves first-expired first."""
    stocked = sorted((n for n, lot in enumerate(lots) if lot.stock_g > 0), key=lambda n: _first_expired(lots[n]))
    place = {n: k for k, n in enumerate(stocked, start=1)}
    return tuple(_standing(lot, place.get(n), today) for n, lot in enumerate(lots))


def _first_expired(lot: Lot) -> tuple[date, date]:
    return lot.best_before or date.max, lot.bought_on or date.min


def _standing(lot: Lot, draw: int | None, today: date) -> LotStanding:
    left = (lot.best_before - today).days if lot.best_before else None
    if draw is None:
        return LotStanding(None, left, "used up")
    if left is not None and left < 0:
        return LotStanding(draw, left, f"past its date by {counted(-left, 'day')}")
    if left is not None and left <= SOON_DAYS:
        return LotStanding(draw, left, f"{counted(left, 'day')} left" if left else "last day today")
    return LotStanding(draw, left, "draw from this first" if draw == 1 else "waiting its turn")


def stock_sentence(lots: Sequence[Lot], today: date) -> str:
    """Return what is in the bins of one ingredient in one sentence, worst first."""
    stocked = [lot for lot in lots if lot.stock_g > 0]
    if not stocked:
        return "None in stock."
    kg = sum(lot.stock_g for lot in stocked) / 1000
    said = f"{kg:.3g} kg in {counted(len(stocked), 'lot')}"
    late = [lot.code for lot in stocked if lot.best_before and lot.best_before < today]
    if late:
        return f"{said}; {', '.join(late)} past its date."
    first = min(stocked, key=_first_expired)
    until = f", best before {_day(first.best_before)}" if first.best_before else ""
    return f"{said}; draw from {first.code} first{until}."


def _day(day: date) -> str:
    return f"{day.day} {day:%b} {day.year}"


def price_history(lots: Iterable[Lot]) -> tuple[tuple[date, float], ...]:
    """Return the price per usable kg by the day of buying, the oldest first; lots without either are left out."""
    known = [(lot.bought_on, price_per_usable_kg(lot)) for lot in lots]
    return tuple(sorted((day, price) for day, price in known if day is not None and price is not None))
