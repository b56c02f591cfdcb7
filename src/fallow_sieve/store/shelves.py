"""The kitchen's shelf: library and own ingredients with the user's own numbers on top, priced from the bins."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable, Sequence
from datetime import date

from sqlmodel import Session, col, select

from fallow_sieve.core.estimates import Range
from fallow_sieve.core.ingredients import Fact, Ingredient, Quality, Role
from fallow_sieve.core.shelf import Shelf
from fallow_sieve.store.kitchens import fact_rows, ingredient_row, touch_shelf
from fallow_sieve.store.tables import AliasRow, FactRow, IngredientRow, LotRow

_OWN_NUMBERS = ("price_per_kg", "gluten_mg_per_kg")


def load_shelf(session: Session, today: date) -> Shelf:
    """Return the kitchen's shelf as of `today`: own numbers win over the table's, lots give price and dates."""
    facts = _facts(session)
    lots = lots_by_ingredient(session)
    rows = session.exec(select(IngredientRow).order_by(col(IngredientRow.position), col(IngredientRow.slug)))
    return Shelf.of(_ingredient(r, facts[r.slug], lots.get(r.slug, []), today) for r in rows)


def _facts(session: Session) -> dict[str, dict[str, FactRow]]:
    found: dict[str, dict[str, FactRow]] = defaultdict(dict)
    # "own" sorts before "table", so reading backwards lets the own layer win.
    for row in session.exec(select(FactRow).order_by(col(FactRow.layer).desc())):
        found[row.ingredient][row.field] = row
    return found


def _ingredient(row: IngredientRow, facts: dict[str, FactRow], lots: Sequence[LotRow], today: date) -> Ingredient:
    stock = [lot for lot in lots if lot.stock_g > 0]
    own = {n: facts[n].typical for n in _OWN_NUMBERS if n in facts}
    return Ingredient(
        slug=row.slug,
        name=row.name,
        role=Role(row.role),
        facts={
            n: Fact(Range(f.low, f.typical, f.high), Quality(f.quality), f.source)
            for n, f in facts.items()
            if n not in _OWN_NUMBERS
        },
        price_per_kg=_price(stock) if stock else own.get("price_per_kg"),
        gluten_mg_per_kg=_gluten(stock) if stock else own.get("gluten_mg_per_kg"),
        gluten_risk=row.gluten_risk,
        allergens=tuple(row.allergens),
        watch=tuple(row.watch),
        flavour_words=tuple(row.flavour_words),
        usual_max_pct=row.usual_max_pct,
        usual_max_reason=row.usual_max_reason,
        confidence=row.confidence,
        keeps_days=_days_left(stock, today),
    )


def _price(stock: Sequence[LotRow]) -> float | None:
    """The price of the lot that is drawn from first."""
    return stock[0].price_per_kg


def _gluten(stock: Sequence[LotRow]) -> float | None:
    """The highest value of the lots in stock; unknown as soon as one has none."""
    values = [lot.gluten_mg_per_kg for lot in stock]
    known = [v for v in values if v is not None]
    return max(known) if len(known) == len(values) else None


def _days_left(stock: Sequence[LotRow], today: date) -> float | None:
    dates = [date.fromisoformat(lot.best_before) for lot in stock if lot.best_before]
    return float((min(dates) - today).days) if dates else None


def lots_by_ingredient(session: Session) -> dict[str, list[LotRow]]:
    """Return the lots of each ingredient, the first to expire first."""
    found: dict[str, list[LotRow]] = defaultdict(list)
    for lot in session.exec(select(LotRow)):
        found[lot.ingredient].append(lot)
    for lots in found.values():
        lots.sort(key=lambda lot: (lot.best_before or "9999", lot.id or 0))
    return found


def aliases_by_ingredient(session: Session) -> dict[str, list[AliasRow]]:
    """Return the other names of each ingredient."""
    found: dict[str, list[AliasRow]] = defaultdict(list)
    for row in session.exec(select(AliasRow).order_by(col(AliasRow.id))):
        found[row.ingredient].append(row)
    return found


def add_own_ingredients(session: Session, items: Iterable[Ingredient]) -> tuple[list[str], list[str]]:
    """Add ingredients as the kitchen's own; return the slugs that were added and those that were there already.

    What is there already keeps its numbers.
    """
    added, there = [], []
    for item in items:
        if session.get(IngredientRow, item.slug) is not None:
            there.append(item.slug)
            continue
        session.add(ingredient_row(item, "own", position=100_000))
        session.flush()
        session.add_all(fact_rows(item, "own"))
        for name in _OWN_NUMBERS:
            value = getattr(item, name)
            if value is not None:
                session.add(
                    FactRow(
                        ingredient=item.slug,
                        layer="own",
                        field=name,
                        low=value,
                        typical=value,
                        high=value,
                        quality=str(Quality.LABEL),
                        source="given in the blend file",
                    )
                )
        added.append(item.slug)
    if added:
        touch_shelf(session)
    return added, there


def own_slugs(session: Session) -> set[str]:
    """Return the slugs of the kitchen's own ingredients."""
    return set(session.exec(select(IngredientRow.slug).where(IngredientRow.origin == "own")))
