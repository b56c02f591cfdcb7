"""The shelf: ingredients in a table, filtered, sorted, on one basis, a page at a time."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict
from functools import cache
from typing import TypeVar

from flask import Blueprint, Response, request

from fallow_sieve.api.http import answer, json_answer, kitchen, page, store, today
from fallow_sieve.api.ingredients.models import BasisOut, CellOut, NoteOut, ShelfChoicesOut, ShelfOut, ShelfQuery
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends import status_of
from fallow_sieve.core.ingredients import (
    COLUMNS,
    DEFAULT_COLUMNS,
    SORTS,
    Cell,
    Filter,
    Provenance,
    Role,
    Row,
    column_named,
)
from fallow_sieve.core.values import BadInputError, Basis, UnknownNameError, shown
from fallow_sieve.reference import diets, traits
from fallow_sieve.services.ingredients.shelf import Asked, basis_named, shelf_page, view_of

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
def page_of_shelf() -> Response:
    """Return a page of the shelf: filtered, sorted, with cells for the columns asked for, on one basis."""
    asked = _asked()
    with store().reading() as session:
        view = view_of(store(), session, store().shelf(session, today()))
    found = shelf_page(view, asked)
    notes = Notes()
    items = [_row(r, found.found_by.get(r.ingredient.slug, ""), notes) for r in found.rows]
    end = asked.cursor + asked.limit
    return json_answer(
        {
            "columns": _columns_json(asked.columns),
            "scales": found.scales,
            "basis": basis_out(asked.basis).model_dump(),
            "items": items,
            "notes": [n.model_dump() for n in notes.all],
            "total": found.total,
            "next": str(end) if found.total > end else None,
        }
    )


def _asked() -> Asked:
    """What of the shelf the query asks for. Raises BadInputError naming the parameter."""
    cursor, limit = page()
    columns, by = _columns(), _sort()
    return Asked(
        query=request.args.get("q", "")[:80].strip(),
        wanted=_filter(),
        columns=tuple(columns),
        sort=by if "sort" in request.args else None,
        descending=request.args.get("descending") == "1",
        basis=basis_asked(),
        cursor=cursor,
        limit=limit,
    )


@cache
def _columns_json(names: tuple[str, ...]) -> list[dict[str, object]]:
    return [asdict(COLUMNS[n]) for n in names]


def basis_asked() -> Basis:
    """Return the basis that `?basis=` names, by the kitchen's cup and tablespoon. Raises BadInputError."""
    return basis_named(request.args.get("basis", "100g")[:20], kitchen())


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
        self._place: dict[Provenance, int] = {}

    def place(self, known: Provenance) -> int:
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
