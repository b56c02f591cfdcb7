"""A swap: what comes in, what it loses, and the water repaired; the parts that every family of swaps shares."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from fallow_sieve.core.blends import DoseBand
from fallow_sieve.core.formulas.formula import OUTSIDE_DOUGH, Formula, Line
from fallow_sieve.core.formulas.gauges import Thickener
from fallow_sieve.core.formulas.pouring import counted_water, is_milk, with_water
from fallow_sieve.core.ingredients import Function, Ingredient, Kind, Shelf
from fallow_sieve.core.ingredients import short_name as first_words
from fallow_sieve.core.values import Range, grams


@dataclass(frozen=True, slots=True)
class Sweetener:
    """A sweetener (slug): sweetness relative to sugar (1), whether it browns, whether yeast eats it, a note."""

    slug: str
    sweetness: Range
    browns: str
    feeds_yeast: bool
    note: str = ""


@dataclass(frozen=True, slots=True)
class EggReplacer:
    """What stands in for 50 g of egg: dry g and water g; binding and lift from 0 to 1 of an egg's; unfit uses."""

    name: str
    ingredient: str
    dry_g: float
    water_g: float
    binding: float
    lift: float
    not_for: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class FatRule:
    """What is lost where a fat of this function goes, and what it brings, each with its weight; empty: nothing."""

    function: Function
    lost_weight: int
    lost: str
    brought_weight: int
    brought: str


@dataclass(frozen=True, slots=True)
class SwapRules:
    """What swaps go by: fats, sweeteners, egg replacers, thickeners; dose bands and binder water for the use.

    `acids` are g of soda that 1 g of an acid meets, by function.

    Sweeteners and thickeners stand by the slug that tables know them by.
    """

    fats: Mapping[Function, FatRule]

    sweeteners: Mapping[str, Sweetener]
    eggs: Sequence[EggReplacer]
    thickeners: Mapping[str, Thickener]
    doses: Mapping[str, DoseBand]
    holds: Mapping[str, Range]
    acids: Mapping[str, float] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Loss:
    """Something that a swap loses or changes: its weight (1 little, 2 some, 3 much), and a sentence."""

    weight: int
    say: str


@dataclass(frozen=True, slots=True)
class Swap:
    """One candidate: what comes in, the lines after it (g), what happened in one line, and what is lost.

    `water_change_g` is the plain water added (or taken, negative) to repair; `short_g` what could not be
    repaired. `in_larder`: it is in no bin.
    """

    kind: str
    to: str
    name: str
    lines: tuple[Line, ...]
    say: str
    losses: tuple[Loss, ...]
    water_change_g: float
    short_g: float
    in_larder: bool = False

    @property
    def lost(self) -> int:
        """How much is lost in all: the sum of the weights."""
        return sum(x.weight for x in self.losses)


def _repaired(
    formula: Formula, at: int, fresh: Sequence[Line], shelf: Shelf, more_g: float = 0.0
) -> tuple[tuple[Line, ...], float, float]:
    """The lines with `fresh` in the place of line `at`, and as much counted water as before plus `more_g`."""
    before = counted_water(formula.lines, shelf)
    lines = (*formula.lines[:at], *fresh, *formula.lines[at + 1 :])
    if formula.lines[at].when in OUTSIDE_DOUGH:
        return lines, 0.0, 0.0
    change = before + more_g - counted_water(lines, shelf)
    done, short = with_water(lines, change, shelf)
    return done, change, short


def made(
    kind: str,
    formula: Formula,
    at: int,
    fresh: Sequence[Line],
    losses: Sequence[Loss],
    shelf: Shelf,
    name: str = "",
    more_g: float = 0.0,
) -> Swap:
    """Return the swap of `fresh` lines (g) for line `at`, its water repaired, `more_g` (g) given besides."""
    line = formula.lines[at]
    lines, change, short = _repaired(formula, at, fresh, shelf, more_g)
    new = " and ".join(f"{grams(x.mass_g)} {short_name(shelf[x.ingredient])}" for x in fresh)
    water = ""
    if abs(change) >= 0.05:
        water = f", {grams(abs(change))} {'more' if change > 0 else 'less'} water{_of_milk(formula, at, lines, shelf)}"
    all_losses = list(losses)
    if short > 0.05:
        all_losses.append(Loss(3, f"{grams(short)} of water too much: there is no plain water left to take away."))
    return Swap(
        kind,
        fresh[0].ingredient,
        name or shelf[fresh[0].ingredient].name,
        lines,
        f"{grams(line.mass_g)} {short_name(shelf[line.ingredient])} → {new}{water}.",
        tuple(all_losses),
        change,
        short,
        any(shelf[x.ingredient].in_larder and shelf[x.ingredient].stock_g <= 0 for x in fresh),
    )


def _of_milk(formula: Formula, at: int, lines: Sequence[Line], shelf: Shelf) -> str:
    """Says so where the water had to be taken out of milk."""

    def milk(some: Sequence[Line]) -> float:
        return sum(x.mass_g for x in some if is_milk(x, shelf))

    rest = [x for n, x in enumerate(formula.lines) if n != at]
    return " (poured less of the milk)" if milk(lines) < milk(rest) - 0.05 else ""


def short_name(item: Ingredient) -> str:
    """Return the first words of an ingredient's name, in lower case."""
    return first_words(item.name).lower()


def candidates(shelf: Shelf, kind: Kind, but: str) -> list[Ingredient]:
    """Return what has a function of `kind`, but for `but` (a slug), what is put away, and what contains gluten."""
    there = (i for i in shelf.ingredients if not i.archived and not i.contains_gluten)
    return [i for i in there if i.slug != but and i.function(kind)]


def per_g(item: Ingredient, nutrient: str) -> float:
    """Return the g of `nutrient` in 1 g of `item`; 0 where unknown."""
    found = item.range_of(nutrient)
    return found.typical / 100 if found else 0.0
