"""The kitchen's shelf: library and own ingredients with the user's own numbers on top, priced from the bins.

Read with plain SQL: a shelf may hold thousands of ingredients, and is read anew while somebody waits.
"""

from __future__ import annotations

import json
from collections import defaultdict
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import date
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.ingredients.ingredient import Fact, Ingredient, Role
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.store.numbers import OWN_NUMBERS, Stored, in_force
from fallow_sieve.store.tables import AliasRow, LotRow

_INGREDIENTS = (
    "SELECT slug, name, role, origin, flavour_words, allergens, watch, gluten_risk, usual_max_pct, usual_max_reason, "
    "confidence, archived FROM ingredient WHERE touched > ? ORDER BY position, slug"
)
_NUMBERS = (
    "SELECT n.ingredient, n.lot_id, n.layer, n.facts FROM numbers n JOIN ingredient i ON i.slug = n.ingredient "
    "WHERE i.touched > ?"
)
_LOTS = (
    "SELECT l.id, l.ingredient, l.code, l.stock_g, l.price_per_kg, l.best_before, l.gluten_mg_per_kg, l.archived "
    "FROM lot l JOIN ingredient i ON i.slug = l.ingredient WHERE i.touched > ? "
    "ORDER BY coalesce(l.best_before, '9999'), l.id"
)


@dataclass(frozen=True, slots=True)
class _Bag:
    """What the shelf needs of a lot."""

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
        return self.stock_g > 0 and not self.archived


@dataclass(frozen=True, slots=True)
class _Read:
    """Ingredients, and lots as ingredients, that changed after a version."""

    ingredients: tuple[Ingredient, ...]
    lots: tuple[Ingredient, ...]


def load_shelf(session: Session, today: date) -> Shelf:
    """Return the kitchen's shelf as of `today`: own numbers win over the table's, lots give price and dates."""
    read = _read(session, today, -1)
    return Shelf.of(read.ingredients, read.lots)


def reload_shelf(session: Session, today: date, before: Shelf, since: int) -> Shelf:
    """Return `before`, read on the same day at version `since`, brought up to date: only what changed is read."""
    read = _read(session, today, since)
    order = session.connection().exec_driver_sql("SELECT slug FROM ingredient ORDER BY position, slug").scalars()
    return before.replacing(read.ingredients, read.lots, list(order))


def _read(session: Session, today: date, since: int) -> _Read:
    ask = session.connection().exec_driver_sql
    layers: dict[tuple[str, int | None], dict[str, Stored]] = defaultdict(dict)
    for slug, lot_id, layer, facts in ask(_NUMBERS, (since,)):
        layers[slug, lot_id][layer] = json.loads(facts)
    bags: dict[str, list[_Bag]] = defaultdict(list)
    for row in ask(_LOTS, (since,)):
        bag = _Bag(*row)
        bags[bag.ingredient].append(bag)
    ingredients, lots = [], []
    for row in ask(_INGREDIENTS, (since,)):
        slug = row[0]
        facts = in_force(layers[slug, None])
        item = _ingredient(row, facts, bags[slug], today)
        ingredients.append(item)
        lots += [_of_lot(item, facts, bag, in_force(layers[slug, bag.lot_id]), today) for bag in bags[slug]]
    return _Read(tuple(ingredients), tuple(lots))


def _ingredient(row: Any, facts: dict[str, Fact], bags: Sequence[_Bag], today: date) -> Ingredient:
    slug, name, role, origin, flavour, allergens, watch, risk, usual, reason, confidence, archived = row
    stock = [b for b in bags if b.in_stock]
    own = {n: facts[n].range.typical for n in OWN_NUMBERS if n in facts}
    return Ingredient(
        slug=slug,
        name=name,
        role=Role(role),
        facts={n: f for n, f in facts.items() if n not in OWN_NUMBERS},
        price_per_kg=stock[0].price_per_kg if stock else own.get("price_per_kg"),
        gluten_mg_per_kg=_gluten(stock) if stock else own.get("gluten_mg_per_kg"),
        gluten_risk=risk,
        allergens=tuple(json.loads(allergens)),
        watch=tuple(json.loads(watch)),
        flavour_words=tuple(json.loads(flavour)),
        usual_max_pct=own.get("usual_max_pct", usual),
        usual_max_reason=reason,
        confidence=confidence,
        keeps_days=min((d for b in stock if (d := _days_left(b, today)) is not None), default=None),
        stock_g=sum(b.stock_g for b in stock),
        own=origin == "own",
        archived=bool(archived),
    )


def _of_lot(item: Ingredient, base: dict[str, Fact], bag: _Bag, own: dict[str, Fact], today: date) -> Ingredient:
    """One lot as an ingredient: its own label and measurements over the ingredient's numbers."""
    return replace(
        item,
        facts={n: f for n, f in {**base, **own}.items() if n not in OWN_NUMBERS},
        price_per_kg=bag.price_per_kg,
        gluten_mg_per_kg=bag.gluten_mg_per_kg,
        keeps_days=_days_left(bag, today),
        stock_g=bag.stock_g,
        lot_id=bag.lot_id,
        lot_code=bag.code,
    )


def _gluten(stock: Sequence[_Bag]) -> float | None:
    """The highest value of the lots in stock; unknown as soon as one has none."""
    values = [b.gluten_mg_per_kg for b in stock]
    known = [v for v in values if v is not None]
    return max(known) if len(known) == len(values) else None


def _days_left(bag: _Bag, today: date) -> float | None:
    return float((date.fromisoformat(bag.best_before) - today).days) if bag.best_before else None


def lots_by_ingredient(session: Session, slugs: Iterable[str] | None = None) -> dict[str, list[LotRow]]:
    """Return the lots of each ingredient that are not put away, the first to expire first."""
    found: dict[str, list[LotRow]] = defaultdict(list)
    query = select(LotRow).where(LotRow.archived == False)  # noqa: E712
    if slugs is not None:
        query = query.where(col(LotRow.ingredient).in_(list(slugs)))
    for lot in session.exec(query):
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
