"""The bundled library in a kitchen: loaded at the first start, refreshed with the application."""

from __future__ import annotations

import hashlib
from functools import cache

from sqlalchemy import delete
from sqlmodel import Session

from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.reference import aliases, library
from fallow_sieve.store.ingredients.numbers import put_table_layers
from fallow_sieve.store.kitchen import kitchen_row, touch_shelf
from fallow_sieve.store.tables import BUNDLED, LARDER, AliasRow, IngredientRow


@cache
def library_version() -> str:
    """Return a mark of the bundled library's contents: it changes whenever a bundled number does."""
    text = repr([(i, sorted(i.facts.items())) for i in library()]) + repr(aliases())
    return hashlib.sha256(text.encode()).hexdigest()[:16]


def is_refreshed(session: Session) -> bool:
    """Return whether the kitchen has the library as this version bundles it."""
    ask = session.connection().exec_driver_sql
    return bool(ask("SELECT 1 FROM kitchen WHERE library_version = ?", (library_version(),)).scalar())


def refresh_library(session: Session) -> bool:
    """Load or refresh the bundled library; return whether anything was to do. The user's own layers stay."""
    kitchen = kitchen_row(session)
    if kitchen.library_version == library_version():
        return False
    for position, item in enumerate(library()):
        _put_library_row(session, item, position)
    session.flush()
    put_table_layers(session, ((i.slug, i.facts) for i in library()))
    session.exec(delete(AliasRow))
    session.add_all(AliasRow(ingredient=a.ingredient, alias=a.alias, place=a.where) for a in aliases())
    kitchen.library_version = library_version()
    session.add(kitchen)
    touch_shelf(session, (i.slug for i in library()))
    return True


def _put_library_row(session: Session, item: Ingredient, position: int) -> None:
    row = session.get(IngredientRow, item.slug)
    origin = LARDER if item.in_larder else "library"
    if row is None:
        session.add(ingredient_row(item, origin, position))
    elif row.origin in BUNDLED:
        fresh = ingredient_row(item, origin, position)
        for name in _FROM_LIBRARY:
            setattr(row, name, getattr(fresh, name))
        session.add(row)


# What a library row takes from the bundled tables; whether it is put away is the user's own.
_FROM_LIBRARY = (
    "origin",
    "name",
    "role",
    "flavour_words",
    "allergens",
    "watch",
    "functions",
    "gluten_risk",
    "usual_max_pct",
    "usual_max_reason",
    "confidence",
    "position",
)


def ingredient_row(item: Ingredient, origin: str, position: int = 0) -> IngredientRow:
    """Return the row that says what `item` is; its numbers go into `fact_rows`."""
    return IngredientRow(
        slug=item.slug,
        name=item.name,
        role=str(item.role),
        origin=origin,
        flavour_words=list(item.flavour_words),
        allergens=list(item.allergens),
        watch=list(item.watch),
        functions=[str(f) for f in item.functions],
        gluten_risk=item.gluten_risk,
        usual_max_pct=item.usual_max_pct,
        usual_max_reason=item.usual_max_reason,
        confidence=item.confidence,
        position=position,
        archived=item.archived,
    )
