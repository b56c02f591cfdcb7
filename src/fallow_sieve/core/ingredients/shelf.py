"""The shelf: the ingredients at hand, with their numbers laid out as one composition matrix.

Rows are ingredients, columns are FIELDS. Unknown cells are kept apart (`known`), never written as zero.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.ingredients.ingredient import PROPERTIES, Fact, Ingredient, Quality, with_derived
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.values import Z_95, BadInputError, Range, UnknownNameError, spread_of

FloatArray = NDArray[np.float64]
_COMBINED = ("available_carbohydrate_g",)
FIELDS: tuple[str, ...] = (*NUTRIENTS, *PROPERTIES, *_COMBINED)
COLUMN: dict[str, int] = {name: i for i, name in enumerate(FIELDS)}
QUALITIES: tuple[Quality, ...] = tuple(Quality)
# What the judgement rests on: the facts that the sieves read.
JUDGED_FIELDS = ("protein_g", "fibre_g", "fat_g", "thirst_g_per_g", "grit_index", "flavour_index", "lightness_l")


@dataclass(frozen=True)
class Shelf:
    """Ingredients by slug with their matrices; every matrix has one row for each of `rows`, and FIELDS columns.

    `rows` are the ingredients and after them the lots that have a row of their own; `row_of` gives the row that
    counts for a slug, `lots` that of a lot. `typical` holds 0 where unknown and must be read with `known`
    (1 or 0); `variance` is σ₋² and beside it σ₊² in the field's unit squared; `values_and_known` is both side by side,
    so that a mix takes one product.
    """

    ingredients: tuple[Ingredient, ...]
    rows: tuple[Ingredient, ...]
    row_of: Mapping[str, int]
    lots: Mapping[int, int]
    variance: FloatArray
    values_and_known: FloatArray
    rests_on: FloatArray

    @classmethod
    def of(cls, ingredients: Iterable[Ingredient], lots: Iterable[Ingredient] = ()) -> Shelf:
        """Return a shelf of `ingredients` and of `lots` of them. Raises BadInputError where a slug stands twice."""
        derived: _Derived = {}
        base = tuple(_completed(i, derived) for i in ingredients)
        rows = (*base, *(_completed(i, derived) for i in lots))
        return cls._laid_out(base, rows, _matrices(rows))

    @classmethod
    def _laid_out(cls, base: tuple[Ingredient, ...], rows: tuple[Ingredient, ...], made: _Matrices) -> Shelf:
        row_of = {item.slug: row for row, item in enumerate(base)}
        if len(row_of) < len(base):
            slugs = [i.slug for i in base]
            twice = min(s for s in slugs if slugs.count(s) > 1)
            raise BadInputError(f"the ingredient {twice!r} is defined twice", right="keep one of them")
        lots = {i.lot_id: row for row, i in enumerate(rows) if i.lot_id is not None}
        return cls(base, rows, row_of, lots, *made)

    @property
    def typical(self) -> FloatArray:
        """The typical values, 0 where unknown."""
        return self.values_and_known[:, : len(FIELDS)]

    @property
    def known(self) -> FloatArray:
        """1 where a value is known, else 0."""
        return self.values_and_known[:, len(FIELDS) :]

    def __contains__(self, slug: object) -> bool:
        return slug in self.row_of

    def __getitem__(self, slug: str) -> Ingredient:
        try:
            return self.rows[self.row_of[slug]]
        except KeyError:
            return self.rows[self.row(slug)]  # which says what was wrong with it

    def row(self, slug: str, place: str = "") -> int:
        """Return the row of `slug`. Raises UnknownNameError naming `place` and the nearest slugs."""
        row = self.row_of.get(slug)
        if row is None:
            raise UnknownNameError("ingredient", slug, self.row_of, place=place)
        return row

    def row_of_lot(self, lot_id: int, slug: str, place: str = "") -> int:
        """Return the row of a lot of `slug`. Raises BadInputError naming `place` where there is no such lot."""
        row = self.lots.get(lot_id)
        if row is None or self.rows[row].slug != slug:
            raise BadInputError(f"{slug!r} has no lot {lot_id}", place=place, right="choose one of its lots, or none")
        return row

    def lots_of(self, slug: str) -> tuple[Ingredient, ...]:
        """Return the lots of `slug` that have numbers or a price of their own, in the order they were given."""
        return tuple(self.rows[row] for row in self.lots.values() if self.rows[row].slug == slug)

    def drawing_on(self, lots: Mapping[str, int]) -> Shelf:
        """Return this shelf with the row of a lot (id by slug) standing for its ingredient. Raises BadInputError."""
        named = {slug: self.row_of_lot(lot_id, slug) for slug, lot_id in lots.items()}
        if all(self.row_of[slug] == row for slug, row in named.items()):
            return self
        return replace(self, row_of={**self.row_of, **named})

    def with_ingredients(self, own: Iterable[Ingredient]) -> Shelf:
        """Return a shelf in which the definitions of `own` win over those of the same slug, lots and all."""
        new = {i.slug: i for i in own}
        if not new:
            return self
        kept = [i for i in self.ingredients if i.slug not in new]
        lots = [i for i in self.rows[len(self.ingredients) :] if i.slug not in new]
        return Shelf.of([*kept, *new.values()], lots)

    def replacing(self, changed: Iterable[Ingredient], lots: Iterable[Ingredient], order: Sequence[str]) -> Shelf:
        """Return the shelf with the ingredients of `order`, where `changed` (and all their `lots`) are new.

        What did not change keeps its row of numbers, so this costs what changed and not what is on the shelf.
        """
        derived: _Derived = {}
        new = {i.slug: _completed(i, derived) for i in changed}
        base = tuple(new[s] if s in new else self.ingredients[self.row_of[s]] for s in order)
        there = set(order) - set(new)
        kept = [i for i in self.rows[len(self.ingredients) :] if i.slug in there]
        rows = (*base, *kept, *(_completed(i, derived) for i in lots))
        was = {id(item): row for row, item in enumerate(self.rows)}
        before = [was.get(id(item), -1) for item in rows]
        fresh = _matrices([i for i, row in zip(rows, before, strict=True) if row < 0])
        old = (self.variance, self.values_and_known, self.rests_on)
        made = tuple(_merged(np.array(before), o, f) for o, f in zip(old, fresh, strict=True))
        return Shelf._laid_out(base, rows, made)


_Matrices = tuple[FloatArray, ...]


def _matrices(items: Sequence[Ingredient]) -> _Matrices:
    """Variances, values with known marks, and quality shares, a row for each of `items`.

    A lot without numbers of its own has the facts of its ingredient, the same object: they are laid out once.
    """
    at: dict[int, tuple[int, Ingredient]] = {}
    for item in items:
        at.setdefault(id(item.facts), (len(at), item))
    different = [item for _, item in at.values()]
    width = len(FIELDS)
    variance, both = np.zeros((len(different), 2 * width)), np.zeros((len(different), 2 * width))
    for row, item in enumerate(different):
        _fill_row(item, both[row, :width], variance[row], both[row, width:])
    rests_on = np.array([_quality_shares(i) for i in different]).reshape(len(different), len(QUALITIES))
    if len(different) == len(items):
        return variance, both, rests_on
    rows = np.array([at[id(item.facts)][0] for item in items], dtype=np.int64)
    return variance[rows], both[rows], rests_on[rows]


def _merged(before: NDArray[np.int64], old: FloatArray, fresh: FloatArray) -> FloatArray:
    """Rows of `old` where `before` points at one, else those of `fresh` in their order."""
    out = np.empty((len(before), fresh.shape[1]))
    out[before >= 0] = old[before[before >= 0]]
    out[before < 0] = fresh
    return out


_Derived = dict[int, tuple[Mapping[str, Fact], Mapping[str, Fact]]]  # by the facts' identity: as given, and in full


def _completed(item: Ingredient, derived: _Derived) -> Ingredient:
    found = derived.get(id(item.facts))
    if found is None:
        found = derived[id(item.facts)] = (item.facts, with_derived(item.facts))
    return replace(item, facts=found[1])


def _fill_row(item: Ingredient, typical: FloatArray, variance: FloatArray, known: FloatArray) -> None:
    ranges = {COLUMN[name]: fact.range for name, fact in item.facts.items()}
    combined = available_range(item)
    if combined:
        ranges[COLUMN["available_carbohydrate_g"]] = combined
    columns = np.array(list(ranges), dtype=np.int64)
    values = np.array([(r.low, r.typical, r.high) for r in ranges.values()]).reshape(len(ranges), 3)
    typical[columns] = values[:, 1]
    variance[columns] = ((values[:, 1] - values[:, 0]) / Z_95) ** 2
    variance[columns + len(FIELDS)] = ((values[:, 2] - values[:, 1]) / Z_95) ** 2
    known[columns] = 1.0


def available_range(item: Ingredient) -> Range | None:
    """Return g of available carbohydrate per 100 g (carbohydrate less fibre), or None where either is unknown."""
    carbohydrate, fibre = item.range_of("carbohydrate_g"), item.range_of("fibre_g")
    if carbohydrate is None or fibre is None:
        return None
    typical = max(0.0, carbohydrate.typical - fibre.typical)
    below, above = spread_of([(1.0, carbohydrate), (-1.0, fibre)])
    return Range(max(0.0, typical - below), typical, typical + above)


def _quality_shares(item: Ingredient) -> list[float]:
    found = [item.facts[n].quality for n in JUDGED_FIELDS if n in item.facts]
    return [found.count(q) / len(JUDGED_FIELDS) for q in QUALITIES]
