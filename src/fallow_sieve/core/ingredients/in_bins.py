"""What the bins say of an ingredient: the price of the lot drawn from first, its gluten value, its days, its stock."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date

from fallow_sieve.core.ingredients.ingredient import Fact


@dataclass(frozen=True, slots=True)
class Bag:
    """What counts of a lot here: stock in g, price per kg of what can be used, best before, gluten in mg/kg."""

    lot_id: int
    ingredient: str
    code: str
    stock_g: float
    price_per_kg: float | None
    best_before: str | None
    gluten_mg_per_kg: float | None
    archived: bool

    @property
    def in_stock(self) -> bool:
        """Whether anything of it can be drawn."""
        return self.stock_g > 0 and not self.archived

    def days_left(self, today: date) -> float | None:
        """Return the days from `today` to its best-before; None where it has none."""
        return float((date.fromisoformat(self.best_before) - today).days) if self.best_before else None


@dataclass(frozen=True, slots=True)
class InBins:
    """An ingredient's price per kg, gluten in mg/kg, days to the earliest best-before, and stock in g."""

    price_per_kg: float | None
    gluten_mg_per_kg: float | None
    keeps_days: float | None
    stock_g: float


def bins_of(bags: Sequence[Bag], own: Mapping[str, Fact], today: date) -> InBins:
    """Return what `bags` (the first to expire first) say on the day `today`; with none in stock, the `own` numbers do.

    The price is that of the bag drawn from first. Gluten is the highest value of those in stock, and unknown as soon
    as one of them has none.
    """
    stock = [b for b in bags if b.in_stock]
    if not stock:
        return InBins(_typical(own, "price_per_kg"), _typical(own, "gluten_mg_per_kg"), None, 0)
    gluten = [b.gluten_mg_per_kg for b in stock]
    known = [g for g in gluten if g is not None]
    return InBins(
        price_per_kg=stock[0].price_per_kg,
        gluten_mg_per_kg=max(known) if len(known) == len(gluten) else None,
        keeps_days=min((d for b in stock if (d := b.days_left(today)) is not None), default=None),
        stock_g=sum(b.stock_g for b in stock),
    )


def _typical(facts: Mapping[str, Fact], name: str) -> float | None:
    fact = facts.get(name)
    return fact.range.typical if fact else None
