"""The shelf: ingredients in a table, filtered, sorted, on one basis, a page at a time."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Mapping, Sequence
from typing import TypeVar

from flask import Blueprint, Response, request
from sqlmodel import Session

from fallow_sieve.api.http import answer, page, store, today
from fallow_sieve.api.shelf_models import (
    BasisOut,
    CellOut,
    NoteOut,
    ShelfChoicesOut,
    ShelfOut,
    ShelfQuery,
    ShelfRowOut,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.columns import COLUMNS, DEFAULT_COLUMNS, Cell, Known, column_named
from fallow_sieve.core.errors import BadInputError, UnknownNameError, shown
from fallow_sieve.core.finding import Searchable, find
from fallow_sieve.core.gluten import status_of
from fallow_sieve.core.ingredients import Role
from fallow_sieve.core.listing import SORTS, Filter, Row, ordered, row_of, scale_of, values_of
from fallow_sieve.core.quantities import Basis, CupStandard, SpoonStandard, parse_basis
from fallow_sieve.core.shelf import Shelf
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
    wanted, query = _filter(), request.args.get("q", "")[:80]
    with store().reading() as session:
        shelf = store().shelf(session, today())
        basis = basis_asked(session)
        searchables = searchables_of(session, shelf)
    found = {f.slug: f.by for f in find(query, searchables)}
    rows = [r for s in found if wanted.takes(shelf.ingredients[r := shelf.row_of[s]])]
    if "sort" in request.args or not query.strip():  # what was looked for stands best first
        rows = ordered(shelf, rows, by, request.args.get("descending") == "1", basis)
    shown_rows = [row_of(shelf.ingredients[r], columns, basis) for r in rows[cursor : cursor + limit]]
    notes = Notes()
    return answer(
        ShelfOut(
            columns=[COLUMNS[c] for c in columns],
            scales=[scale_of(values_of(shelf, rows, c, basis)) for c in columns],
            basis=basis_out(basis),
            items=[_row(r, found[r.ingredient.slug], notes) for r in shown_rows],
            notes=notes.all,
            total=len(rows),
            next=str(cursor + limit) if len(rows) > cursor + limit else None,
        )
    )


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


def searchables_of(session: Session, shelf: Shelf) -> list[Searchable]:
    """Return the ingredients as they are looked for, made once for each state of the shelf."""
    return store().once_for(shelf, lambda: searchable(shelf, aliases_by_ingredient(session)))


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


def _row(row: Row, found_by: str, notes: Notes) -> ShelfRowOut:
    item = row.ingredient
    return ShelfRowOut(
        slug=item.slug,
        name=item.name,
        role=item.role,
        own=item.own,
        archived=item.archived,
        own_numbers=any(str(f.quality) in _OWN_QUALITIES for f in item.facts.values()),
        stock_g=item.stock_g,
        allergens=list(item.allergens),
        watch=list(item.watch),
        gluten=status_of(item),
        gluten_mg_per_kg=item.gluten_mg_per_kg,
        found_by=found_by,
        cells=[cell_out(c, notes) for c in row.cells],
    )


def cell_out(c: Cell | None, notes: Notes) -> CellOut | None:
    """Return a cell as the API gives it; how it is known goes into `notes`."""
    if c is None:
        return None
    return CellOut(typical=c.typical, low=c.low, high=c.high, note=notes.place(c.known))


def basis_out(basis: Basis) -> BasisOut:
    """Return a basis as the API gives it."""
    return BasisOut(kind=basis.kind, mass_g=basis.mass_g, volume_ml=basis.volume_ml)
