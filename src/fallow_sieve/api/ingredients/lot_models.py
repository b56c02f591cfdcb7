"""What requests and answers about lots carry."""

from __future__ import annotations

from datetime import date
from typing import Annotated

from pydantic import Field

from fallow_sieve.api.models import In, Out, Seen
from fallow_sieve.core.ingredients import LotStanding, price_per_usable_kg
from fallow_sieve.services.ingredients.shelf import Bins, LotInBin

Day = Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")]
Note = Annotated[str, Field(max_length=500)]


class LotIn(In):
    """A lot in a bin; see the core's Lot for what its fields mean."""

    code: Annotated[str, Field(max_length=60), Seen]
    supplier: Annotated[str, Field(max_length=120)] = ""
    bought_g: float = Field(ge=0, le=1e8)
    stock_g: float = Field(ge=0, le=1e8)
    bought_on: Day | None = None
    best_before: Day | None = None
    pack_g: float | None = Field(default=None, ge=0, le=1e8)
    pack_price: float | None = Field(default=None, ge=0, le=1e6)
    yield_pct: float = Field(default=100.0, ge=0, le=100)
    price_per_kg: float | None = Field(default=None, ge=0, le=1e6)
    gluten_mg_per_kg: float | None = Field(default=None, ge=0, le=1e6)
    gluten_basis: Annotated[str, Field(max_length=200)] = ""
    gluten_on: Day | None = None
    note: Note = ""
    archived: bool = False
    opened_on: Day | None = None
    milled_on: Day | None = None
    supplier_code: Annotated[str, Field(max_length=60)] = ""


class LotFullOut(Out):
    """A lot as stored, how it stands, and what is known of it by its own nutrition panel and tests."""

    id: int
    ingredient: str
    code: str
    supplier: str
    bought_g: float
    stock_g: float
    bought_on: date | None
    best_before: date | None
    pack_g: float | None
    pack_price: float | None
    yield_pct: float
    price_per_kg: float | None
    gluten_mg_per_kg: float | None
    gluten_basis: str
    gluten_on: date | None
    note: str
    archived: bool
    opened_on: date | None
    milled_on: date | None
    supplier_code: str
    version: int
    standing: LotStanding
    own_numbers: list[str]


class PriceIn(In):
    """A price in the kitchen's currency, per kg of what can be used."""

    per_kg: float = Field(ge=0, le=1e6)


class PriceOut(Out):
    """Where a price that was typed went, in words."""

    say: str


class PricePointOut(Out):
    """The price per usable kg on the day of buying."""

    day: date
    price_per_kg: float


class LotsOut(Out):
    """The lots of an ingredient, the first to draw from first, in one sentence, and the price over time."""

    say: str
    items: list[LotFullOut]
    prices: list[PricePointOut]


def lot_out(found: LotInBin) -> LotFullOut:
    """Return a lot as the API gives it; its price is that of what can be used."""
    record, lot = found.record, found.record.lot
    values = {n: getattr(lot, n) for n in lot.__dataclass_fields__}
    return LotFullOut(
        **values | {"price_per_kg": price_per_usable_kg(lot)},
        id=record.id,
        ingredient=record.ingredient,
        archived=record.archived,
        version=record.version,
        standing=found.standing,
        own_numbers=list(found.own_numbers),
    )


def lots_out(found: Bins) -> LotsOut:
    """Return the lots of an ingredient as the API gives them."""
    prices = [PricePointOut(day=day, price_per_kg=price) for day, price in found.prices]
    return LotsOut(say=found.say, items=[lot_out(x) for x in found.lots], prices=prices)
