"""A formula: lines of ingredients and of a pinned blend, each a mass and when it goes in, and which are usable."""

from __future__ import annotations

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.blends import MAX_MASS_G, Part
from fallow_sieve.core.formulas.portions import Portion
from fallow_sieve.core.ingredients import WHISKED_IN_DRY, WORDS, Function, Ingredient, Kind, Role, Shelf
from fallow_sieve.core.values import BadInputError, Pin, UnknownNameError, nearest_names

BLEND = "@blend"  # stands for the pinned blend; no slug can look so
WATER = "water"
MAX_LINES = 100
MAX_METHOD = 4000


class When(StrEnum):
    """When a line goes in, in the order of the work."""

    DRY = "dry"
    GEL = "gel"
    SOAK = "soak"
    LEAVEN = "leaven"
    WET = "wet"
    FAT = "fat"
    FOLD_IN = "fold-in"
    FILLING = "filling"
    FINISH = "finish"


OUTSIDE_DOUGH = frozenset({When.FILLING, When.FINISH})
AHEAD = (When.LEAVEN, When.SOAK, When.GEL)  # made before the dough is mixed, in the order of the work
CONSISTENCIES = ("stiff", "soft", "batter", "pourable")


@dataclass(frozen=True, slots=True)
class Line:
    """One line: an ingredient by slug (or `@blend`), its mass in g, when it goes in, and a note."""

    ingredient: str
    mass_g: float
    when: When
    note: str = ""


@dataclass(frozen=True, slots=True)
class Formula:
    """Lines, and the parts of the pinned blend that `@blend` lines are made of, for a use at a consistency.

    `pin` says which blend its parts are from. `pieces` is how many the batch makes; `pan` is a pan material and
    `school` a binder school, both by name; `method` is the cook's own text. `portion` is what is eaten
    at once (None: as usual for the use).
    """

    lines: tuple[Line, ...]
    blend: tuple[Part, ...] = ()
    name: str = ""
    use: str | None = None
    consistency: str | None = None
    school: str | None = None
    pieces: int = 1
    pan: str | None = None
    method: str = ""
    pin: Pin | None = None
    portion: Portion | None = None


def is_flour(item: Ingredient) -> bool:
    """Return whether `item` counts in a formula's flour base: a flour, or one with gluten of a recipe to convert.

    Of what contains gluten it is what does a wheat flour's work; soy sauce and malt vinegar are none.
    """
    untold = item.own and item.contains_gluten and item.role is Role.OTHER and not item.functions
    return item.in_flour_base or untold or (item.contains_gluten and Function.WHEAT in item.functions)


def water_counts(item: Ingredient) -> bool:
    """Return whether the water in `item` counts as a dough's water: not the moisture of a flour or dry binder."""
    return not is_flour(item) and item.role is not Role.BINDER


def check_lines(lines: Sequence[Line], shelf: Shelf, has_blend: bool, place: str = "/lines") -> None:
    """Raise BadInputError, naming a JSON pointer under `place`, unless the lines can be used.

    Usable: 1–100 lines, known ingredients, a blend where one is named, finite positive masses in g.
    """
    if not lines:
        raise BadInputError("a formula needs at least one line", place=place, right="add an ingredient")
    if len(lines) > MAX_LINES:
        raise BadInputError(f"{len(lines)} lines", place=place, right=f"a formula has at most {MAX_LINES}")
    for n, line in enumerate(lines):
        if line.ingredient == BLEND:
            if not has_blend:
                raise BadInputError("no blend is chosen", place=f"{place}/{n}/ingredient", right="choose a blend first")
        elif line.ingredient not in shelf.row_of:
            raise UnknownNameError("ingredient", line.ingredient, shelf.row_of, place=f"{place}/{n}/ingredient")
        is_unweighed = line.ingredient == WORDS and line.mass_g == 0
        if not is_unweighed and not (math.isfinite(line.mass_g) and 0 < line.mass_g <= MAX_MASS_G):
            raise BadInputError(
                f"a mass of {line.mass_g!r} g",
                place=f"{place}/{n}/mass_g",
                right=f"it must be over 0 and at most {MAX_MASS_G:.0e} g",
            )


def opened(lines: Sequence[Line], blend: Sequence[Part]) -> tuple[Part, ...]:
    """Return the parts (g) that `lines` come to, with the blend opened into its own; each ingredient once.

    A line in words whose mass is not known is no part.
    """
    blend_g = sum(p.mass_g for p in blend)
    masses: dict[str, float] = defaultdict(float)
    for line in lines:
        if line.ingredient == BLEND:
            for part in blend:
                masses[part.ingredient] += line.mass_g * part.mass_g / blend_g
        elif line.mass_g > 0:
            masses[line.ingredient] += line.mass_g
    return tuple(Part(slug, mass) for slug, mass in masses.items())


def water_share(item: Ingredient) -> float:
    """Return the g of water in 1 g of `item` that counts as a dough's water; 0 where unknown or not counted."""
    water = item.range_of("water_g")
    return water.typical / 100 if water is not None and water_counts(item) else 0.0


def usual_when(item: Ingredient) -> When:
    """Return when `item` commonly goes in; a rule of thumb that the cook may change."""
    if item.role is Role.BINDER:
        return When.DRY if item.function(Kind.BINDER) in WHISKED_IN_DRY else When.GEL
    if is_flour(item):
        return When.DRY
    fat, water = item.range_of("fat_g"), item.range_of("water_g")
    if fat is not None and fat.typical > 60:
        return When.FAT
    if item.function(Kind.INCLUSION):
        return When.FOLD_IN
    return When.WET if water is not None and water.typical > 10 and not item.function(Kind.YEAST) else When.DRY


def check_consistency(wanted: str, offered: Sequence[str]) -> None:
    """Raise BadInputError for a consistency that is not known, or not among those `offered` for the use."""
    if wanted not in CONSISTENCIES:
        raise UnknownNameError("consistency", wanted, CONSISTENCIES, place="/consistency")
    if offered and wanted not in offered:
        near = nearest_names(wanted, offered) or list(offered)
        raise BadInputError(
            f"no water is on record for this use at {wanted!r}", place="/consistency", right=f"use {' or '.join(near)}"
        )
