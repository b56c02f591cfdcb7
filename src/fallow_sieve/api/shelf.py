"""The shelf: ingredients in a table, filtered, sorted, on one basis, a page at a time."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import asdict, dataclass
from functools import cache
from typing import TypeVar

import numpy as np
from flask import Blueprint, Response, request
from numpy.typing import NDArray
from sqlmodel import Session

from fallow_sieve.api.http import answer, answer_json, page, store, today
from fallow_sieve.api.shelf_models import (
    BasisOut,
    CellOut,
    NoteOut,
    ShelfChoicesOut,
    ShelfOut,
    ShelfQuery,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends.gluten import status_of
from fallow_sieve.core.ingredients.columns import COLUMNS, DEFAULT_COLUMNS, Cell, Known, column_named
from fallow_sieve.core.ingredients.filters import (
    SORTS,
    Filter,
    Index,
    Row,
    ordered,
    passing,
    row_of,
    scale_of,
    values_of,
)
from fallow_sieve.core.ingredients.ingredient import Role
from fallow_sieve.core.ingredients.search import Searchable, find
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.errors import BadInputError, UnknownNameError, shown
from fallow_sieve.core.values.quantities import Basis, CupStandard, SpoonStandard, parse_basis
from fallow_sieve.reference.listing import diets, traits
from fallow_sieve.reference.names import look_alikes
from fallow_sieve.store.kitchens import kitchen_of
from fallow_sieve.store.shelves import aliases_by_ingredient
from fallow_sieve.store.tables import AliasRow

routes = Blueprint("shelf", __name__)
ItemT = TypeVar("ItemT")
MOST_COLUMNS = 14


@routes.get("/shelf/choices")
@route(ShelfChoicesOut)
def choices() -> Response:
    """Return the columns, traits and diets that the shelf offers."""
    return answer(
        ShelfChoicesOut(
            columns=list(COLUMNS.values()),
            default_columns=list(DEFAULT_COLUMNS),
            traits=list(traits().values()),
            diets=list(diets().values()),
        )
    )


@routes.get("/shelf")
@route(ShelfOut, query=ShelfQuery)
def shelf_page() -> Response:
    """Return a page of the shelf: filtered, sorted, with cells for the columns asked for, on one basis."""
    cursor, limit = page()
    columns, by = _columns(), _sort()
    wanted, query = _filter(), request.args.get("q", "")[:80].strip()
    with store().reading() as session:
        shelf = store().shelf(session, today())
        basis = basis_asked(session)
        view = view_of(session, shelf)
    rows, found_by = _rows(view, query, wanted)
    if "sort" in request.args or not query:  # what was looked for stands best first
        rows = ordered(view.index, rows, by, request.args.get("descending") == "1", basis)
    shown_rows = [row_of(shelf.ingredients[r], columns, basis) for r in rows[cursor : cursor + limit]]
    notes = Notes()
    items = [_row(r, found_by.get(r.ingredient.slug, ""), notes) for r in shown_rows]
    return answer_json(
        {
            "columns": _columns_json(tuple(columns)),
            "scales": [scale_of(values_of(view.index, rows, c, basis)) for c in columns],
            "basis": basis_out(basis).model_dump(),
            "items": items,
            "notes": [n.model_dump() for n in notes.all],
            "total": len(rows),
            "next": str(cursor + limit) if len(rows) > cursor + limit else None,
        }
    )


@cache
def _columns_json(names: tuple[str, ...]) -> list[dict[str, object]]:
    return [asdict(COLUMNS[n]) for n in names]


@dataclass(frozen=True, slots=True)
class View:
    """What a shelf is looked through with, made once for each state of it."""

    index: Index
    searchables: list[Searchable]


def _rows(view: View, query: str, wanted: Filter) -> tuple[NDArray[np.int64], dict[str, str]]:
    """The rows that pass, and by which other name each was found."""
    shown = passing(view.index, wanted)
    if not query:
        return np.flatnonzero(shown), {}
    row_of_slug = view.index.shelf.row_of
    found = [f for f in find(query, view.searchables) if shown[row_of_slug[f.slug]]]
    return np.array([row_of_slug[f.slug] for f in found], dtype=np.int64), {f.slug: f.by for f in found if f.by}


def basis_asked(session: Session) -> Basis:
    """Return the basis that `?basis=` names, by the kitchen's cup and tablespoon."""
    settings = kitchen_of(session)
    given = request.args.get("basis", "100g")[:20]
    if given == "serving":
        given = f"{settings.serving_g:.6f}g"
    try:
        return parse_basis(given, CupStandard(settings.cup), SpoonStandard(settings.tablespoon))
    except BadInputError as error:
        raise error.at("?basis") from error


def view_of(session: Session, shelf: Shelf) -> View:
    """Return what `shelf` is looked through with."""
    return store().once_for(shelf, lambda: View(Index.of(shelf), searchable(shelf, aliases_by_ingredient(session))))


def searchable(shelf: Shelf, aliases: Mapping[str, Sequence[AliasRow]]) -> list[Searchable]:
    """Return what can be looked for on `shelf`: by name, other names, and names of what it is taken for."""
    taken_for: dict[str, list[str]] = defaultdict(list)
    for pair in look_alikes():
        if pair.ingredient in shelf and pair.taken_for in shelf:
            taken_for[pair.ingredient].append(shelf[pair.taken_for].name)
            taken_for[pair.taken_for].append(shelf[pair.ingredient].name)
    return [
        Searchable(i.slug, i.name, tuple(a.alias for a in aliases.get(i.slug, [])), tuple(taken_for[i.slug]))
        for i in shelf.ingredients
    ]


def _names(parameter: str) -> list[str]:
    return [n for n in request.args.get(parameter, "")[:400].split(",") if n]


def _each(parameter: str, known: Mapping[str, ItemT], kind: str) -> tuple[ItemT, ...]:
    for name in _names(parameter):
        if name not in known:
            raise UnknownNameError(kind, name, known, place=f"?{parameter}")
    return tuple(known[n] for n in _names(parameter))


def _filter() -> Filter:
    return Filter(
        roles=frozenset(str(r) for r in _each("roles", {str(r): r for r in Role}, "role")),
        without=frozenset(_names("without")),
        diets=_each("diets", diets(), "diet"),
        traits=_each("traits", traits(), "trait"),
        in_stock=request.args.get("in_stock") == "1",
        own=request.args.get("own") == "1",
        archived=request.args.get("archived") == "1",
    )


def _columns() -> list[str]:
    names = _names("columns") or list(DEFAULT_COLUMNS)
    if len(names) > MOST_COLUMNS:
        raise BadInputError(f"{len(names)} columns", place="?columns", right=f"at most {MOST_COLUMNS} at a time")
    return [column_named(n, "?columns").name for n in names]


def _sort() -> str:
    by = request.args.get("sort", "role")
    if by not in SORTS:
        raise BadInputError(f"no sorting by {shown(by)}", place="?sort", right="name, role, or one of the columns")
    return by


class Notes:
    """The notes of a page, each once."""

    def __init__(self) -> None:
        self._place: dict[Known, int] = {}

    def place(self, known: Known) -> int:
        """Return the place of a note, added where it is new."""
        return self._place.setdefault(known, len(self._place))

    @property
    def all(self) -> list[NoteOut]:
        """The notes in their order."""
        return [NoteOut(quality=k.quality, source=k.source, noted_on=k.noted_on) for k in self._place]


_OWN_QUALITIES = ("measured", "label")


def _row(row: Row, found_by: str, notes: Notes) -> dict[str, object]:
    """A row as ShelfRowOut describes it; written as it is, because there are hundreds of cells on a page."""
    item = row.ingredient
    return {
        "slug": item.slug,
        "name": item.name,
        "role": str(item.role),
        "own": item.own,
        "archived": item.archived,
        "own_numbers": any(str(f.quality) in _OWN_QUALITIES for f in item.facts.values()),
        "stock_g": item.stock_g,
        "allergens": list(item.allergens),
        "watch": list(item.watch),
        "gluten": status_of(item),
        "gluten_mg_per_kg": item.gluten_mg_per_kg,
        "found_by": found_by,
        "cells": [
            c and {"typical": c.typical, "low": c.low, "high": c.high, "note": notes.place(c.known)} for c in row.cells
        ],
    }


def cell_out(c: Cell | None, notes: Notes) -> CellOut | None:
    """Return a cell as the API gives it; how it is known goes into `notes`."""
    if c is None:
        return None
    return CellOut(typical=c.typical, low=c.low, high=c.high, note=notes.place(c.known))


def basis_out(basis: Basis) -> BasisOut:
    """Return a basis as the API gives it."""
    return BasisOut(kind=basis.kind, mass_g=basis.mass_g, volume_ml=basis.volume_ml)
