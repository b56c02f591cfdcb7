"""Ingredients of the kitchen: adding, copying, putting away, and the user's own numbers over the library's."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.ingredients import Fact, Ingredient, Quality
from fallow_sieve.core.values import BadInputError, exactly
from fallow_sieve.store.blends import BLENDS
from fallow_sieve.store.errors import InUseError, NotFoundError, StaleSaveError
from fallow_sieve.store.formulas import FORMULAS
from fallow_sieve.store.ingredients.library import ingredient_row
from fallow_sieve.store.ingredients.numbers import (
    drop_number,
    facts_in_force,
    layers_of,
    put_layer,
    put_numbers,
    set_aside,
    stored,
)
from fallow_sieve.store.kitchen import touch_shelf
from fallow_sieve.store.tables import BUNDLED, BenchTestRow, IngredientRow, LotRow, NumbersRow, PanelRow
from fallow_sieve.store.versions import save_versioned

OWN_POSITION = 100_000  # own ingredients stand after the library's


@dataclass(frozen=True, slots=True)
class IngredientOnRecord:
    """What an ingredient is, as stored; its numbers lie in layers. `usual_max_pct` is % of flour base."""

    slug: str
    name: str
    role: str
    origin: str
    flavour_words: list[str]
    allergens: list[str]
    watch: list[str]
    functions: list[str]
    gluten_risk: str
    usual_max_pct: float | None
    usual_max_reason: str
    confidence: str
    archived: bool
    version: int


_FIELDS = tuple(IngredientOnRecord.__dataclass_fields__)


def _record(row: IngredientRow) -> IngredientOnRecord:
    return IngredientOnRecord(**{n: getattr(row, n) for n in _FIELDS})


def get_ingredient(session: Session, slug: str) -> IngredientOnRecord:
    """Return what is stored of an ingredient, also an archived one. Raises NotFoundError."""
    return _record(_row(session, slug))


def _row(session: Session, slug: str) -> IngredientRow:
    row = session.get(IngredientRow, slug)
    if row is None:
        raise NotFoundError("ingredient", slug)
    return row


def add_own_ingredients(session: Session, items: Iterable[Ingredient]) -> tuple[list[str], list[str]]:
    """Add ingredients as the kitchen's own; return the slugs that were added and those that were there already.

    What is there already keeps its numbers.
    """
    added, there = [], []
    for item in items:
        if session.get(IngredientRow, item.slug) is not None:
            there.append(item.slug)
            continue
        _add(session, item)
        added.append(item.slug)
    if added:
        touch_shelf(session, added)
    return added, there


def _add(session: Session, item: Ingredient) -> IngredientRow:
    row = ingredient_row(item, "own", OWN_POSITION)
    session.add(row)
    session.flush()
    own = {n: getattr(item, n) for n in ("price_per_kg", "gluten_mg_per_kg")}
    given = {n: Fact(exactly(v), Quality.LABEL, "given in the blend file") for n, v in own.items() if v is not None}
    put_layer(session, item.slug, None, "own", stored({**item.facts, **given}))
    return row


def add_ingredient(session: Session, item: Ingredient) -> IngredientOnRecord:
    """Add `item` as the kitchen's own. Raises BadInputError where its slug is taken."""
    if session.get(IngredientRow, item.slug) is not None:
        raise BadInputError(
            f"there is an ingredient {item.slug!r} already", place="/name", right="give it another name"
        )
    row = _add(session, item)
    touch_shelf(session, [item.slug])
    return _record(row)


def copy_ingredient(session: Session, source: str, slug: str, name: str) -> IngredientOnRecord:
    """Add a copy of `source` with the numbers that count for it now, as the kitchen's own."""
    row = _row(session, source)
    if session.get(IngredientRow, slug) is not None:
        raise BadInputError(f"there is an ingredient {slug!r} already", place="/name", right="give it another name")
    own = {"slug", "name", "origin", "position", "archived", "version", "touched", "usual_max_pct"}
    values = row.model_dump(exclude=own)
    made = IngredientRow(slug=slug, name=name, origin="own", position=OWN_POSITION, **values)
    session.add(made)
    session.flush()
    facts = facts_in_force(layers_of(session, source))
    if row.usual_max_pct is not None:
        facts.setdefault("usual_max_pct", Fact(exactly(row.usual_max_pct), Quality.ESTIMATE, f"copied from {row.name}"))
    put_layer(session, slug, None, "own", stored(facts))
    touch_shelf(session, [slug])
    return _record(made)


def save_ingredient(session: Session, slug: str, values: dict[str, Any], version: int) -> IngredientOnRecord:
    """Save what an own ingredient is, or whether one is put away, if `version` is current.

    Raises StaleSaveError, and BadInputError for another change of one of the library's.
    """
    row = _row(session, slug)
    if row.origin in BUNDLED:
        changed = [n for n, v in values.items() if n != "archived" and v != getattr(row, n)]
        if changed:
            raise BadInputError(
                f"{row.name} is the library's", place=f"/{changed[0]}", right="copy it, and change the copy"
            )
    save_versioned(session, row, values, version)
    touch_shelf(session, [slug])
    return _record(row)


def _at_version(session: Session, slug: str, version: int, submitted: dict[str, Any]) -> IngredientRow:
    """Return the row and count its version up. Raises StaleSaveError unless `version` is its current one."""
    row = _row(session, slug)
    if row.version != version:
        raise StaleSaveError(row.model_dump(), submitted)
    row.version += 1
    session.add(row)
    session.flush()
    return row


def put_number(session: Session, slug: str, name: str, fact: Fact, version: int) -> IngredientOnRecord:
    """Note an own number of an ingredient, if `version` is current; the library's stays beneath."""
    row = _at_version(session, slug, version, {name: fact.range.typical})
    put_numbers(session, slug, {name: fact})
    set_aside(session, slug, name, False)
    touch_shelf(session, [slug])
    return _record(row)


def put_borrowed(session: Session, slug: str, facts: Mapping[str, Fact], version: int) -> IngredientOnRecord:
    """Note numbers borrowed from another flour as own ones, if `version` is current."""
    row = _at_version(session, slug, version, {n: f.range.typical for n, f in facts.items()})
    put_numbers(session, slug, facts)
    touch_shelf(session, [slug])
    return _record(row)


def take_number(session: Session, slug: str, name: str, version: int) -> IngredientOnRecord:
    """Remove an own number of an ingredient, if `version` is current."""
    row = _at_version(session, slug, version, {name: None})
    drop_number(session, slug, name)
    touch_shelf(session, [slug])
    return _record(row)


def choose_layer(session: Session, slug: str, name: str, aside: bool, version: int) -> IngredientOnRecord:
    """Go back to the table's number (`aside`), or to the own one again, if `version` is current."""
    row = _at_version(session, slug, version, {"aside": aside})
    set_aside(session, slug, name, aside)
    touch_shelf(session, [slug])
    return _record(row)


def delete_ingredient(session: Session, slug: str) -> None:
    """Delete an own ingredient that nothing rests on. Raises InUseError with what does, or BadInputError."""
    row = _row(session, slug)
    if row.origin in BUNDLED:
        raise BadInputError(f"{row.name} is the library's", right="put it away instead")
    users = [*BLENDS.mentioning(session, slug), *FORMULAS.mentioning(session, slug)]
    users += [f"lot {c}" for c in session.exec(select(LotRow.code).where(LotRow.ingredient == slug))]
    for kind, what in ((BenchTestRow, "a bench test"), (PanelRow, "a label")):
        users += [what] * (session.exec(select(kind).where(col(kind.ingredient) == slug)).first() is not None)
    if users:
        raise InUseError(row.name, users)
    for numbers in session.exec(select(NumbersRow).where(NumbersRow.ingredient == slug)):
        session.delete(numbers)
    session.flush()
    session.delete(row)
    touch_shelf(session, [])
