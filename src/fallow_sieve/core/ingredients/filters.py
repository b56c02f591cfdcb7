"""The shelf as a list: which ingredients pass a filter, and in which order."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.ingredients.columns import COLUMNS, PRICED_BY, Cell, cell
from fallow_sieve.core.ingredients.ingredient import Ingredient, Role
from fallow_sieve.core.ingredients.shelf import COLUMN, FloatArray, Shelf
from fallow_sieve.core.values import Basis


@dataclass(frozen=True, slots=True)
class Trait:
    """Something a flour does in dough: a field that is at least, or at most, a value in the field's unit."""

    name: str
    label: str
    field: str
    at_least: float | None
    at_most: float | None
    basis: str


@dataclass(frozen=True, slots=True)
class Diet:
    """A way of eating, by what it goes without: marks (allergens and watched), roles, words of a slug."""

    name: str
    label: str
    without_marks: tuple[str, ...]
    without_roles: tuple[str, ...]
    without_words: tuple[str, ...]
    basis: str

    def allows(self, item: Ingredient) -> bool:
        """Whether nothing recorded of `item` is against it; what is not recorded is not known."""
        marks = {*item.allergens, *item.watch}
        words = set(item.slug.split("-"))
        return (
            marks.isdisjoint(self.without_marks)
            and str(item.role) not in self.without_roles
            and words.isdisjoint(self.without_words)
        )


@dataclass(frozen=True, slots=True)
class Filter:
    """What to show: roles (any of), marks to go without, diets and traits to hold, in stock, own, put away."""

    roles: frozenset[str] = frozenset()
    without: frozenset[str] = frozenset()
    diets: tuple[Diet, ...] = ()
    traits: tuple[Trait, ...] = ()
    in_stock: bool = False
    own: bool = False
    archived: bool = False


@dataclass(frozen=True, slots=True)
class Row:
    """One ingredient of a list and its cells, in the order of the columns asked for (None: unknown)."""

    ingredient: Ingredient
    cells: tuple[Cell | None, ...] = field(default=())


_PLACE_OF_ROLE = {role: n for n, role in enumerate(Role)}
_BY_WORD: Mapping[str, Callable[[Ingredient], str]] = {
    "name": lambda i: i.name.lower(),
    "role": lambda i: f"{_PLACE_OF_ROLE[i.role]:02d} {i.name.lower()}",
}
SORTS = (*_BY_WORD, *COLUMNS)
_SCALE_TO_PERCENTILE = 95
_IN_BIN = ("price_per_kg", "stock_g", "usual_max_pct", "gluten_mg_per_kg")


@dataclass(frozen=True, slots=True)
class Index:
    """What a shelf is filtered and sorted by, laid out once for each state of it; arrays have a row an ingredient.

    `by_word` holds the rows in the order of their names or roles, `in_bin` the numbers that are no facts (NaN:
    unknown; price per kg, g in stock, % of flour, mg/kg). `listed` is what stands on the shelf; the larder is found by
    typing, and stands there too once some of it is in a bin.
    """

    shelf: Shelf
    roles: NDArray[np.str_]
    archived: NDArray[np.bool_]
    own: NDArray[np.bool_]
    listed: NDArray[np.bool_]
    by_word: Mapping[str, NDArray[np.int64]]
    in_bin: Mapping[str, FloatArray]

    @classmethod
    def of(cls, shelf: Shelf) -> Index:
        """Return the index of `shelf`."""
        items = shelf.ingredients
        orders = {
            name: np.array(sorted(range(len(items)), key=lambda r, word=word: word(items[r])), dtype=np.int64)  # type: ignore[misc]
            for name, word in _BY_WORD.items()
        }
        numbers = {n: np.array([_number(getattr(i, n)) for i in items], dtype=np.float64) for n in _IN_BIN}
        return cls(
            shelf,
            np.array([str(i.role) for i in items], dtype=np.str_),
            np.array([i.archived for i in items], dtype=bool),
            np.array([i.own for i in items], dtype=bool),
            np.array([not i.in_larder or i.stock_g > 0 for i in items], dtype=bool),
            orders,
            numbers,
        )


def _number(value: float | None) -> float:
    return math.nan if value is None else value


def passing(index: Index, wanted: Filter) -> NDArray[np.bool_]:
    """Return for each ingredient of the shelf whether it is shown."""
    shown: NDArray[np.bool_] = np.equal(index.archived, wanted.archived)
    if wanted.archived:
        shown &= index.listed  # what stands for a line in words is no ingredient to take up again
    if wanted.roles:
        shown &= np.isin(index.roles, list(wanted.roles))
    if wanted.in_stock:
        shown &= index.in_bin["stock_g"] > 0
    if wanted.own:
        shown &= index.own
    for trait in wanted.traits:
        shown &= _holds(index.shelf, trait)
    if wanted.without or wanted.diets:
        for row in np.flatnonzero(shown):
            item = index.shelf.ingredients[row]
            free = wanted.without.isdisjoint((*item.allergens, *item.watch))
            shown[row] = free and all(d.allows(item) for d in wanted.diets)
    return shown


def _holds(shelf: Shelf, trait: Trait) -> NDArray[np.bool_]:
    """Whether the typical value is known and on the right side of the limit."""
    count, column = len(shelf.ingredients), COLUMN[trait.field]
    values, held = shelf.typical[:count, column], shelf.known[:count, column] > 0
    if trait.at_least is not None:
        held &= values >= trait.at_least
    if trait.at_most is not None:
        held &= values <= trait.at_most
    return np.asarray(held)


def values_of(index: Index, rows: NDArray[np.int64], name: str, basis: Basis) -> FloatArray:
    """Return the typical values of a column (in its unit, on `basis`) for `rows`, one each; NaN where unknown."""
    if name in index.in_bin:
        return index.in_bin[name][rows]
    if name in PRICED_BY:
        content = _field(index.shelf, rows, PRICED_BY[name])
        sold = np.array([_has_some(index.shelf.ingredients[r], PRICED_BY[name]) for r in rows], dtype=bool)
        return index.in_bin["price_per_kg"][rows] * 10 / np.where(sold, content, math.nan)
    if name == "basis_g":
        return 100 * np.broadcast_to(_mass_factor(index.shelf, rows, basis), rows.shape)
    values = _field(index.shelf, rows, name)
    return values * _mass_factor(index.shelf, rows, basis) if COLUMNS[name].on_basis else values


def _has_some(item: Ingredient, nutrient: str) -> bool:
    found = item.range_of(nutrient)
    return found is not None and found.low > 0


def _field(shelf: Shelf, rows: NDArray[np.int64], name: str) -> FloatArray:
    column = COLUMN[name]
    return np.where(shelf.known[rows, column] > 0, shelf.typical[rows, column], math.nan)


def _mass_factor(shelf: Shelf, rows: NDArray[np.int64], basis: Basis) -> FloatArray | float:
    if basis.mass_g is not None:
        return basis.mass_g / 100
    return _field(shelf, rows, "density_g_per_ml") * (basis.volume_ml or math.nan) / 100


def ordered(index: Index, rows: NDArray[np.int64], by: str, descending: bool, basis: Basis) -> NDArray[np.int64]:
    """Return `rows` by a column's typical value on `basis`, or by name or role; what is unknown stands last."""
    if by in _BY_WORD:
        wanted = np.zeros(len(index.archived), dtype=bool)
        wanted[rows] = True
        order = index.by_word[by]
        found = order[wanted[order]]
        return found[::-1] if descending else found
    values = values_of(index, rows, by, basis)
    order = np.argsort(-values if descending else values, kind="stable")  # NaN sorts last either way
    return rows[order]


def scale_of(values: FloatArray) -> float:
    """Return what a column's bars are drawn to, in its unit: the 95th percentile, so that one far value is cut."""
    known = values[~np.isnan(values)]
    return float(np.percentile(known, _SCALE_TO_PERCENTILE)) if len(known) else 0.0


def row_of(item: Ingredient, columns: Sequence[str], basis: Basis) -> Row:
    """Return `item` with its cells for `columns` (names of COLUMNS), on `basis`."""
    return Row(item, tuple(cell(item, COLUMNS[name], basis) for name in columns))
