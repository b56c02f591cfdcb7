"""The shelf: the ingredients at hand, with their numbers laid out as one composition matrix.

Rows are ingredients, columns are FIELDS. Unknown cells are kept apart (`known`), never written as zero.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.errors import BadInputError, UnknownNameError
from fallow_sieve.core.estimates import Range
from fallow_sieve.core.ingredients import PROPERTIES, Fact, Ingredient, Quality, with_derived
from fallow_sieve.core.nutrients import NUTRIENTS

FloatArray = NDArray[np.float64]

_COMBINED = ("available_carbohydrate_g",)
FIELDS: tuple[str, ...] = (*NUTRIENTS, *PROPERTIES, *_COMBINED)
COLUMN: dict[str, int] = {name: i for i, name in enumerate(FIELDS)}
QUALITIES: tuple[Quality, ...] = tuple(Quality)
# What the judgement rests on: the facts that the sieves read.
JUDGED_FIELDS = ("protein_g", "fibre_g", "fat_g", "thirst_g_per_g", "grit_index", "flavour_index", "lightness_l")


@dataclass(frozen=True)
class Shelf:
    """Ingredients by slug with their matrices, all of shape (ingredients, FIELDS).

    `typical` holds 0 where unknown and must be read with `known` (1 or 0); `variance` is σ² in the field's
    unit squared.
    """

    ingredients: tuple[Ingredient, ...]
    typical: FloatArray
    variance: FloatArray
    known: FloatArray
    rests_on: FloatArray

    @classmethod
    def of(cls, ingredients: Iterable[Ingredient]) -> Shelf:
        """Return a shelf of `ingredients`. Raises BadInputError where a slug stands twice."""
        items = tuple(_completed(i) for i in ingredients)
        slugs = [i.slug for i in items]
        twice = {s for s in slugs if slugs.count(s) > 1} if len(set(slugs)) < len(slugs) else set()
        if twice:
            raise BadInputError(f"the ingredient {min(twice)!r} is defined twice", right="keep one of them")
        shape = (len(items), len(FIELDS))
        typical, variance, known = np.zeros(shape), np.zeros(shape), np.zeros(shape)
        for row, item in enumerate(items):
            _fill_row(item, typical[row], variance[row], known[row])
        rests_on = np.array([_quality_shares(i) for i in items]).reshape(len(items), len(QUALITIES))
        return cls(items, typical, variance, known, rests_on)

    @cached_property
    def values_and_known(self) -> FloatArray:
        """`typical` and `known` side by side, so that a mix takes one product for both."""
        return np.hstack([self.typical, self.known])

    @cached_property
    def row_of(self) -> Mapping[str, int]:
        """The row of each slug."""
        return {item.slug: row for row, item in enumerate(self.ingredients)}

    def __contains__(self, slug: object) -> bool:
        return slug in self.row_of

    def __getitem__(self, slug: str) -> Ingredient:
        return self.ingredients[self.row(slug)]

    def row(self, slug: str, place: str = "") -> int:
        """Return the row of `slug`. Raises UnknownNameError naming `place` and the nearest slugs."""
        row = self.row_of.get(slug)
        if row is None:
            raise UnknownNameError("ingredient", slug, self.row_of, place=place)
        return row

    def with_ingredients(self, own: Iterable[Ingredient]) -> Shelf:
        """Return a shelf in which the definitions of `own` win over those of the same slug."""
        new = {i.slug: i for i in own}
        if not new:
            return self
        kept = [i for i in self.ingredients if i.slug not in new]
        return Shelf.of([*kept, *new.values()])


def _completed(item: Ingredient) -> Ingredient:
    return Ingredient(
        **{name: getattr(item, name) for name in Ingredient.__dataclass_fields__ if name != "facts"},
        facts=with_derived(item.facts),
    )


def _fill_row(item: Ingredient, typical: FloatArray, variance: FloatArray, known: FloatArray) -> None:
    for name, fact in item.facts.items():
        _write(COLUMN[name], fact.range, typical, variance, known)
    combined = available_range(item)
    if combined:
        _write(COLUMN["available_carbohydrate_g"], combined, typical, variance, known)


def _write(column: int, value: Range, typical: FloatArray, variance: FloatArray, known: FloatArray) -> None:
    typical[column] = value.typical
    variance[column] = value.sigma**2
    known[column] = 1.0


def available_range(item: Ingredient) -> Range | None:
    """Return g of available carbohydrate per 100 g (carbohydrate less fibre), or None where either is unknown."""
    carbohydrate, fibre = item.range_of("carbohydrate_g"), item.range_of("fibre_g")
    if carbohydrate is None or fibre is None:
        return None
    typical = max(0.0, carbohydrate.typical - fibre.typical)
    reach = 1.96 * (carbohydrate.sigma**2 + fibre.sigma**2) ** 0.5
    return Range(typical - reach, typical, typical + reach)


def _quality_shares(item: Ingredient) -> list[float]:
    facts: list[Fact] = [item.facts[n] for n in JUDGED_FIELDS if n in item.facts]
    return [sum(f.quality is q for f in facts) / len(JUDGED_FIELDS) for q in QUALITIES]
