"""The shelf as a list: which ingredients pass a filter, and in which order."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.columns import COLUMNS, Cell, cell
from fallow_sieve.core.ingredients import Ingredient, Role
from fallow_sieve.core.quantities import Basis
from fallow_sieve.core.shelf import COLUMN, FloatArray, Shelf


@dataclass(frozen=True, slots=True)
class Trait:
    """Something a flour does in dough: a field that is at least, or at most, a value in the field's unit."""

    name: str
    label: str
    field: str
    at_least: float | None
    at_most: float | None
    basis: str

    def holds(self, item: Ingredient) -> bool:
        """Whether the typical value is known and on the right side of the limit."""
        found = item.range_of(self.field)
        if found is None:
            return False
        return (self.at_least is None or found.typical >= self.at_least) and (
            self.at_most is None or found.typical <= self.at_most
        )


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

    def takes(self, item: Ingredient) -> bool:
        """Whether `item` is shown."""
        return (
            item.archived == self.archived
            and (not self.roles or str(item.role) in self.roles)
            and (not self.in_stock or item.stock_g > 0)
            and (not self.own or item.own)
            and (not self.without or self.without.isdisjoint((*item.allergens, *item.watch)))
            and all(d.allows(item) for d in self.diets)
            and all(t.holds(item) for t in self.traits)
        )


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


def values_of(shelf: Shelf, rows: Sequence[int], name: str, basis: Basis) -> FloatArray:
    """Return the typical values of a column (in its unit, on `basis`) for `rows`, one each; NaN where unknown."""
    if name not in COLUMN:
        cells = (cell(shelf.ingredients[r], COLUMNS[name], basis) for r in rows)
        return np.array([math.nan if c is None else c.typical for c in cells])
    at = np.asarray(rows, dtype=int)
    values = np.where(shelf.known[at, COLUMN[name]] > 0, shelf.typical[at, COLUMN[name]], math.nan)
    return values * _mass_factor(shelf, at, basis) if COLUMNS[name].on_basis else values


def _mass_factor(shelf: Shelf, at: NDArray[np.int64], basis: Basis) -> FloatArray | float:
    if basis.mass_g is not None:
        return basis.mass_g / 100
    column = COLUMN["density_g_per_ml"]
    density = np.where(shelf.known[at, column] > 0, shelf.typical[at, column], math.nan)
    return np.asarray(density * (basis.volume_ml or math.nan) / 100, dtype=np.float64)


def ordered(shelf: Shelf, rows: Sequence[int], by: str, descending: bool, basis: Basis) -> list[int]:
    """Return `rows` by a column's typical value on `basis`, or by name or role; what is unknown stands last."""
    if by in _BY_WORD:
        word = _BY_WORD[by]
        return sorted(rows, key=lambda r: word(shelf.ingredients[r]), reverse=descending)
    values = values_of(shelf, rows, by, basis)
    order = np.argsort(-values if descending else values, kind="stable")  # NaN sorts last either way
    return [rows[n] for n in order]


def scale_of(values: FloatArray) -> float:
    """Return what a column's bars are drawn to, in its unit: the 95th percentile, so that one far value is cut."""
    known = values[~np.isnan(values)]
    return float(np.percentile(known, _SCALE_TO_PERCENTILE)) if len(known) else 0.0


def row_of(item: Ingredient, columns: Sequence[str], basis: Basis) -> Row:
    """Return `item` with its cells for `columns` (names of COLUMNS), on `basis`."""
    return Row(item, tuple(cell(item, COLUMNS[name], basis) for name in columns))
