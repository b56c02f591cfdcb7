"""The shelf looked through: filtered, sorted, searched, a page at a time, on one basis; and one ingredient whole."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

import numpy as np
from numpy.typing import NDArray
from sqlmodel import Session

from fallow_sieve.core.blends import cautions_of, status_of
from fallow_sieve.core.ingredients import (
    COLUMNS,
    HIGHEST,
    Column,
    Filter,
    Hit,
    Index,
    Ingredient,
    Layered,
    LotStanding,
    Row,
    Searchable,
    Shelf,
    TakenFor,
    find,
    ordered,
    passing,
    price_history,
    row_of,
    scale_of,
    searchables,
    standings,
    stock_sentence,
    taken_for,
    values_of,
)
from fallow_sieve.core.values import BadInputError, Basis, Range, parse_basis
from fallow_sieve.reference import look_alikes
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store import BLENDS, FORMULAS, KitchenStore
from fallow_sieve.store.ingredients import (
    IngredientOnRecord,
    LotOnRecord,
    facts_in_force,
    layers_of,
    lots_of,
    other_names,
    stacked,
)

# What an own number may be given for, in the order of the page: contents, dough, and the bin's own.
NUMBERED = tuple(n for n in COLUMNS if n in HIGHEST)


@dataclass(frozen=True, slots=True)
class View:
    """What a shelf is looked through with, made once for each state of it."""

    index: Index
    searchables: list[Searchable]


def view_of(store: KitchenStore, session: Session, shelf: Shelf) -> View:
    """Return what `shelf` is looked through with."""
    return store.once_for(
        shelf,
        lambda: View(
            Index.of(shelf),
            searchables(
                shelf, {s: [n.name for n in names] for s, names in other_names(session).items()}, look_alikes()
            ),
        ),
    )


def basis_named(text: str, kitchen: KitchenNow) -> Basis:
    """Return the basis that `text` names, by the kitchen's cup, tablespoon and serving (g). Raises BadInputError."""
    given = f"{kitchen.serving_g:.6f}g" if text == "serving" else text
    try:
        return parse_basis(given, kitchen.cup, kitchen.spoon)
    except BadInputError as error:
        raise error.at("?basis") from error


@dataclass(frozen=True, slots=True)
class Asked:
    """What of the shelf is asked for: a query, a filter, columns, an order, a basis, and the page."""

    query: str
    wanted: Filter
    columns: tuple[str, ...]
    sort: str | None
    descending: bool
    basis: Basis
    cursor: int
    limit: int


@dataclass(frozen=True, slots=True)
class ShelfPage:
    """Rows of the shelf, by which other name each was found, what each column is drawn to, and how many there are."""

    rows: tuple[Row, ...]
    found_by: dict[str, str]
    scales: tuple[float, ...]
    total: int


def shelf_page(view: View, asked: Asked) -> ShelfPage:
    """Return the page of the shelf that is asked for; what was looked for stands best first unless sorted."""
    rows, found_by = _rows(view, asked.query, asked.wanted)
    if asked.sort is not None or not asked.query:
        rows = ordered(view.index, rows, asked.sort or "role", asked.descending, asked.basis)
    items = view.index.shelf.ingredients
    columns = list(asked.columns)
    some = rows[asked.cursor : asked.cursor + asked.limit]
    return ShelfPage(
        rows=tuple(row_of(items[r], columns, asked.basis) for r in some),
        found_by=found_by,
        scales=tuple(scale_of(values_of(view.index, rows, c, asked.basis)) for c in columns),
        total=len(rows),
    )


def _rows(view: View, query: str, wanted: Filter) -> tuple[NDArray[np.int64], dict[str, str]]:
    """The rows that pass, and by which other name each was found."""
    shown = passing(view.index, wanted)
    if not query:
        return np.flatnonzero(shown & view.index.listed), {}
    row_of_slug = view.index.shelf.row_of
    found = [f for f in find(query, view.searchables) if shown[row_of_slug[f.slug]]]
    return np.array([row_of_slug[f.slug] for f in found], dtype=np.int64), {f.slug: f.by for f in found if f.by}


def looked_for(query: str, view: View, *, slips: bool = True) -> list[Hit]:
    """Return what `query` may mean on the shelf, best first, without what is put away; `slips` of the pen too."""
    shelf = view.index.shelf
    return [f for f in find(query, view.searchables, slips=slips) if not shelf[f.slug].archived]


def look_alikes_of(slug: str, shelf: Shelf) -> tuple[TakenFor, ...]:
    """Return what the ingredient `slug` is taken for."""
    return taken_for(slug, shelf, look_alikes())


@dataclass(frozen=True, slots=True)
class LayeredNumber:
    """One number of an ingredient: the layer in force (`derived` or `unknown` without one), its range, every layer."""

    column: Column
    in_force: str
    range: Range | None
    layers: tuple[Layered, ...]


@dataclass(frozen=True, slots=True)
class WholeIngredient:
    """An ingredient in full: what is stored of it, what counts of it now, its numbers by layer, and who uses it."""

    record: IngredientOnRecord
    item: Ingredient
    gluten: str
    aliases: tuple[str, ...]
    look_alikes: tuple[TakenFor, ...]
    stock_say: str
    numbers: tuple[LayeredNumber, ...]
    cautions: tuple[str, ...]
    used_by: tuple[str, ...]


def whole_ingredient(session: Session, record: IngredientOnRecord, shelf: Shelf, today: date) -> WholeIngredient:
    """Return an ingredient in full, its stock as of `today`."""
    item = shelf[record.slug]
    stacks = stacked(layers_of(session, record.slug))
    lots = [x.lot for x in lots_of(session, record.slug) if not x.archived]
    return WholeIngredient(
        record=record,
        item=item,
        gluten=status_of(item),
        aliases=tuple(n.shown for n in other_names(session, [record.slug])[record.slug]),
        look_alikes=look_alikes_of(record.slug, shelf),
        stock_say=stock_sentence(lots, today),
        numbers=tuple(_number(COLUMNS[n], item, stacks.get(n, [])) for n in NUMBERED),
        cautions=tuple(c.say for c in cautions_of(item)),
        used_by=(*BLENDS.mentioning(session, record.slug), *FORMULAS.mentioning(session, record.slug)),
    )


def _number(column: Column, item: Ingredient, layers: list[Layered]) -> LayeredNumber:
    counting = [x for x in layers if not x.aside]
    fact = item.facts.get(column.name) or (counting[-1].fact if counting else None)
    in_force = counting[-1].layer if counting else "derived" if fact else "unknown"
    return LayeredNumber(column, in_force, fact.range if fact else None, tuple(layers))


@dataclass(frozen=True, slots=True)
class LotInBin:
    """A lot as stored, how it stands, and which numbers it has of its own."""

    record: LotOnRecord
    standing: LotStanding
    own_numbers: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Bins:
    """The lots of an ingredient, the first to draw from first, in one sentence, and the price per usable kg by day."""

    say: str
    lots: tuple[LotInBin, ...]
    prices: tuple[tuple[date, float], ...]


PUT_AWAY = LotStanding(None, None, "put away")


def bins_of(session: Session, slug: str, today: date) -> Bins:
    """Return the lots of an ingredient as they stand on `today`."""
    records = lots_of(session, slug)
    kept = [x.lot for x in records if not x.archived]
    standing = iter(standings(kept, today))
    lots = tuple(lot_in_bin(session, x, PUT_AWAY if x.archived else next(standing)) for x in records)
    return Bins(stock_sentence(kept, today), lots, price_history(x.lot for x in records))


def lot_in_bin(session: Session, record: LotOnRecord, standing: LotStanding) -> LotInBin:
    """Return a lot with the names of its own numbers."""
    own = facts_in_force(layers_of(session, record.ingredient, record.id))
    return LotInBin(record, standing, tuple(sorted(own)))
