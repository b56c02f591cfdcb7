"""The kitchen's shelf: library and own ingredients with the user's own numbers on top, priced from the bins.

Read with plain SQL: a shelf may hold thousands of ingredients, and is read anew while somebody waits.
"""

from __future__ import annotations

import gc
import json
from collections import defaultdict
from collections.abc import Collection, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import date
from typing import Any, cast

from sqlmodel import Session, col, select

from fallow_sieve.core.ingredients import (
    OWN_NUMBERS,
    Bag,
    Fact,
    Function,
    Ingredient,
    Role,
    Shelf,
    bins_of,
    facts_alone,
)
from fallow_sieve.store.ingredients.numbers import Stored, facts_in_force
from fallow_sieve.store.tables import LARDER, AliasRow

_INGREDIENTS = (
    "SELECT slug, name, role, origin, flavour_words, allergens, watch, functions, gluten_risk, usual_max_pct, "
    "usual_max_reason, confidence, archived FROM ingredient WHERE touched > ? ORDER BY position, slug"
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
class _Read:
    """Ingredients, and lots as ingredients, that changed after a version."""

    ingredients: tuple[Ingredient, ...]
    lots: tuple[Ingredient, ...]


def load_shelf(session: Session, today: date) -> Shelf:
    """Return the kitchen's shelf as of `today`: own numbers win over the table's, lots give price and dates."""
    with without_collecting():
        read = _read(session, today, -1)
        return Shelf.of(read.ingredients, read.lots)


@contextmanager
def without_collecting() -> Iterator[None]:
    """Look for no garbage while thousands of things are made that all stay: it would take a third of the time."""
    was_on = gc.isenabled()
    gc.disable()
    try:
        yield
    finally:
        if was_on:
            gc.enable()


def reload_shelf(session: Session, today: date, before: Shelf, since: int) -> Shelf:
    """Return `before`, read on the same day at version `since`, brought up to date: only what changed is read."""
    with without_collecting():
        read = _read(session, today, since)
    order = session.connection().exec_driver_sql("SELECT slug FROM ingredient ORDER BY position, slug").scalars()
    return before.replacing(read.ingredients, read.lots, list(order))


def _read(session: Session, today: date, since: int) -> _Read:
    ask = session.connection().exec_driver_sql
    layers: dict[tuple[str, int | None], dict[str, str]] = defaultdict(dict)  # as text until it is its turn
    for slug, lot_id, layer, facts in ask(_NUMBERS, (since,)):
        layers[slug, lot_id][layer] = facts
    bags: dict[str, list[Bag]] = defaultdict(list)
    for row in ask(_LOTS, (since,)):
        bag = Bag(*row)
        bags[bag.ingredient].append(bag)
    ingredients, lots = [], []
    for row in ask(_INGREDIENTS, (since,)):
        slug = row[0]
        facts = _in_force(layers.pop((slug, None), {}))
        item = _ingredient(row, facts, bags.get(slug, ()), today)
        ingredients.append(item)
        for bag in bags.get(slug, ()):
            own = layers.pop((slug, bag.lot_id), None)
            lots.append(_of_lot(item, {**facts, **_in_force(own)} if own else None, bag, today))
    return _Read(tuple(ingredients), tuple(lots))


def _in_force(layers: dict[str, str]) -> dict[str, Fact]:
    return facts_in_force({layer: cast(Stored, json.loads(text)) for layer, text in layers.items()})


def _ingredient(row: Any, facts: dict[str, Fact], bags: Sequence[Bag], today: date) -> Ingredient:
    slug, name, role, origin, flavour, allergens, watch, functions, risk, usual, reason, confidence, archived = row
    own = {n: facts[n] for n in OWN_NUMBERS if n in facts}
    bins = bins_of(bags, own, today)
    return Ingredient(
        slug=slug,
        name=name,
        role=Role(role),
        facts=facts_alone(facts),
        price_per_kg=bins.price_per_kg,
        gluten_mg_per_kg=bins.gluten_mg_per_kg,
        gluten_risk=risk,
        allergens=tuple(json.loads(allergens)),
        watch=tuple(json.loads(watch)),
        functions=tuple(Function(f) for f in json.loads(functions)),
        flavour_words=tuple(json.loads(flavour)),
        usual_max_pct=own["usual_max_pct"].range.typical if "usual_max_pct" in own else usual,
        usual_max_reason=reason,
        confidence=confidence,
        keeps_days=bins.keeps_days,
        stock_g=bins.stock_g,
        own=origin == "own",
        archived=bool(archived),
        in_larder=origin == LARDER,
    )


def _of_lot(item: Ingredient, facts: dict[str, Fact] | None, bag: Bag, today: date) -> Ingredient:
    """One lot as an ingredient; `facts` are its own numbers over the ingredient's, None where it has none."""
    return replace(
        item,
        facts=item.facts if facts is None else facts_alone(facts),
        price_per_kg=bag.price_per_kg,
        gluten_mg_per_kg=bag.gluten_mg_per_kg,
        keeps_days=bag.days_left(today),
        stock_g=bag.stock_g,
        lot_id=bag.lot_id,
        lot_code=bag.code,
    )


@dataclass(frozen=True, slots=True)
class OtherName:
    """Another name of an ingredient, and where it is called so (empty: everywhere)."""

    name: str
    place: str

    @property
    def shown(self) -> str:
        """The name with its place."""
        return f"{self.name} ({self.place})" if self.place else self.name


def other_names(session: Session, slugs: Collection[str] | None = None) -> dict[str, list[OtherName]]:
    """Return the other names of each ingredient, or of each of `slugs`."""
    asked = select(AliasRow.ingredient, AliasRow.alias, AliasRow.place).order_by(col(AliasRow.id))
    if slugs is not None:
        asked = asked.where(col(AliasRow.ingredient).in_(slugs))
    found: dict[str, list[OtherName]] = defaultdict(list)
    for ingredient, alias, place in session.exec(asked):
        found[ingredient].append(OtherName(alias, place))
    return found
