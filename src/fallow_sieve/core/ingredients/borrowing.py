"""Borrowing: how a flour behaves, taken from its nearest relative where nothing is known, with twice the range.

A flour known by its label alone would leave most sieves unjudged. What is borrowed is judged, and stays an estimate.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from fallow_sieve.core.ingredients.ingredient import PROPERTIES, Fact, Ingredient, Quality
from fallow_sieve.core.ingredients.search import Searchable, find
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.ingredients.stand_ins import BEHAVIOUR, stand_ins_for
from fallow_sieve.core.values import Range

BORROWABLE = (*BEHAVIOUR, "gel_peak_c", "colour_a", "colour_b", "shelf_months")
CONTENTS = ("water_g", "protein_g", "fat_g", "carbohydrate_g", "sugars_g", "starch_g", "fibre_g", "ash_g")  # of 100 g
TIMES_AS_WIDE = 2.0
_OFFERED = 5
_COMMON = frozenset({"flour", "meal", "starch", "powder", "my", "own", "whole", "grain", "fine", "organic", "the"})


@dataclass(frozen=True, slots=True)
class Relative:
    """A flour to borrow from: slug, name, and the numbers that it would give (names of properties)."""

    ingredient: str
    name: str
    gives: tuple[str, ...]


def lacking(item: Ingredient) -> tuple[str, ...]:
    """Return what is not known of `item` and can be borrowed: how it behaves, and its contents where none is known."""
    bare = not any(name in item.facts for name in CONTENTS)
    return tuple(name for name in (*BORROWABLE, *(CONTENTS if bare else ())) if name not in item.facts)


def relatives_of(slug: str, shelf: Shelf) -> tuple[Relative, ...]:
    """Return up to five flours to borrow from, the likeliest first: by a word of the name, then by what is in them.

    Empty where nothing is lacking. Raises UnknownNameError for an unknown slug.
    """
    item = shelf[slug]
    wanted = lacking(item)
    found: dict[str, Relative] = {}
    for other in _likely(item, shelf):
        gives = tuple(n for n in wanted if n in other.facts)
        if gives and other.slug != slug and not other.contains_gluten:
            found.setdefault(other.slug, Relative(other.slug, other.name, gives))
    return tuple(found.values())[:_OFFERED]


def _likely(item: Ingredient, shelf: Shelf) -> Iterator[Ingredient]:
    """Namesakes of the same role, then those nearest by what is in them, then the role's own."""
    kin = [i for i in shelf.ingredients if i.role is item.role and not i.archived and not i.in_larder]
    entries = [Searchable(i.slug, i.name, ()) for i in kin]
    for word in item.name.lower().replace("-", " ").split():
        if word not in _COMMON:
            yield from (shelf[hit.slug] for hit in find(word, entries)[:3])
    alike = [shelf[s.ingredient] for s in stand_ins_for(item.slug, shelf, "composition", count=60)]
    yield from (i for i in alike if i.role is item.role and not i.in_larder)
    yield from kin


def borrowed(item: Ingredient, relative: Ingredient, noted_on: str) -> dict[str, Fact]:
    """Return what `item` lacks, as `relative` has it with twice the range; noted on the ISO date `noted_on`."""
    said = f"borrowed from {relative.name}"
    return {
        name: Fact(_wider(relative.facts[name].range, name), Quality.ESTIMATE, said, noted_on)
        for name in lacking(item)
        if name in relative.facts
    }


def _wider(r: Range, name: str) -> Range:
    """Twice as far from the typical value on either side, within what is possible."""
    highest = PROPERTIES[name].highest if name in PROPERTIES else 100.0
    lowest = -highest if name.startswith("colour_") else 0.0
    low = r.typical - TIMES_AS_WIDE * (r.typical - r.low)
    high = r.typical + TIMES_AS_WIDE * (r.high - r.typical)
    return Range(max(lowest, low), r.typical, min(highest, high))
