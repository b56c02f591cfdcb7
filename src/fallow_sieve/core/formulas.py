"""A formula: a blend at work with water, fat, sugar and the rest, each line a mass at a stage.

Baker's percentages are on the flour base of the dough: every flour of the blend and of the lines, binders and
`other` left out, as is (see docs/method.md). What is filled in or finished with later is weighed and paid for, but
is no part of the dough. Water is counted from composition; the flours' own moisture is not.
"""

from __future__ import annotations

import math
from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

from fallow_sieve.core.blends import MAX_MASS_G, Blend, Contents, Part, contents, drawing_on
from fallow_sieve.core.errors import BadInputError, UnknownNameError, nearest_names
from fallow_sieve.core.estimates import Estimate
from fallow_sieve.core.ingredients import Fact, Ingredient, Role
from fallow_sieve.core.nutrients import NUTRIENTS
from fallow_sieve.core.shelf import Shelf

BLEND = "@blend"  # stands for the pinned blend; no slug can look so
WATER = "water"
MILKS = ("whole-milk", "soy-milk", "oat-milk", "almond-milk")
MAX_LINES = 100
MAX_METHOD = 4000


class Stage(StrEnum):
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


OUTSIDE_DOUGH = frozenset({Stage.FILLING, Stage.FINISH})
AHEAD = (Stage.LEAVEN, Stage.SOAK, Stage.GEL)  # made before the dough is mixed, in the order of the work
CONSISTENCIES = ("stiff", "soft", "batter", "pourable")
COUNTED = ("water_g", "fat_g", "sugars_g", "salt_g", "protein_g")


@dataclass(frozen=True, slots=True)
class Line:
    """One line: an ingredient by slug (or `@blend`), its mass in g, its stage, and a note."""

    ingredient: str
    mass_g: float
    stage: Stage
    note: str = ""


@dataclass(frozen=True, slots=True)
class Formula:
    """Lines, and the parts of the pinned blend that `@blend` lines are made of, for a use at a consistency.

    `pieces` is how many the batch makes; `pan` is a pan material and `school` a binder school, both by name;
    `method` is the cook's own text.
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


@dataclass(frozen=True, slots=True)
class LineFacts:
    """A line with its % of flour base (None without flour) and what it brings in g; None where unknown."""

    index: int
    ingredient: str
    name: str
    role: Role
    stage: Stage
    mass_g: float
    flour_pct: float | None
    in_dough: bool
    brings_g: dict[str, float | None]
    water_counts: bool


@dataclass(frozen=True, slots=True)
class FormulaAnalysis:
    """What a formula is. Masses in g; `totals_g` of the whole with 95 % intervals.

    `dough_g` is what is mixed (fillings and finishes left out), `water_g` its counted water, and `hydration_pct` that
    in % of flour base, None without flour. `doubts` name lines of unknown water.
    """

    lines: tuple[LineFacts, ...]
    mass_g: float
    dough_g: float
    flour_g: float
    water_g: float
    hydration_pct: float | None
    totals_g: dict[str, Estimate]
    doubts: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class WorkedFormula(FormulaAnalysis):
    """A formula's analysis with those of its opened parts: `mix` of everything, `dough` of what is mixed, per 100 g.

    `shelf` is what they were worked out from: the lots that the blend draws on stand in it for their ingredients.
    """

    mix: Contents
    dough: Contents
    shelf: Shelf


def is_flour(item: Ingredient) -> bool:
    """Return whether `item` counts in a formula's flour base: a flour, or the wheat flour of a recipe to convert."""
    return item.in_flour_base or (item.contains_gluten and item.role is Role.OTHER)


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
        if not (math.isfinite(line.mass_g) and 0 < line.mass_g <= MAX_MASS_G):
            raise BadInputError(
                f"a mass of {line.mass_g!r} g",
                place=f"{place}/{n}/mass_g",
                right=f"it must be over 0 and at most {MAX_MASS_G:.0e} g",
            )


def opened(lines: Sequence[Line], blend: Sequence[Part]) -> tuple[Part, ...]:
    """Return the parts (g) that `lines` come to, with the blend opened into its own; each ingredient once."""
    blend_g = sum(p.mass_g for p in blend)
    masses: dict[str, float] = defaultdict(float)
    for line in lines:
        if line.ingredient == BLEND:
            for part in blend:
                masses[part.ingredient] += line.mass_g * part.mass_g / blend_g
        else:
            masses[line.ingredient] += line.mass_g
    return tuple(Part(slug, mass) for slug, mass in masses.items())


def analyse_formula(formula: Formula, shelf: Shelf, names: Iterable[str] = NUTRIENTS) -> WorkedFormula:
    """Return what `formula` is, from the numbers of `shelf`: masses in g, hydration in % of flour base.

    `names` are the nutrients of `mix` and `dough`, those of COUNTED among them. Raises BadInputError for lines that
    cannot be used.
    """
    check_lines(formula.lines, shelf, bool(formula.blend))
    own = drawing_on(formula.blend, shelf)
    mixed = [x for x in formula.lines if x.stage not in OUTSIDE_DOUGH]
    whole = opened(formula.lines, formula.blend)
    mix = contents(Blend(whole), own, names)
    all_mixed = len(mixed) == len(formula.lines)
    dough = mix if all_mixed else contents(Blend(opened(mixed or formula.lines, formula.blend)), own, names)
    flour_g = flour_of(dough, own) if mixed else 0.0
    per_g = _per_g(formula, own)
    lines = tuple(_facts(n, x, own, flour_g, per_g[x.ingredient]) for n, x in enumerate(formula.lines))
    counted = [x for x in lines if x.in_dough and x.water_counts]
    water_g = sum(x.brings_g["water_g"] or 0.0 for x in counted)
    return WorkedFormula(
        lines=lines,
        mass_g=mix.mass_g,
        dough_g=sum(x.mass_g for x in mixed),
        flour_g=flour_g,
        water_g=water_g,
        hydration_pct=100 * water_g / flour_g if flour_g > 0 else None,
        totals_g={n: total_of(mix, n) for n in COUNTED},
        mix=mix,
        dough=dough,
        doubts=tuple(x.name for x in counted if x.brings_g["water_g"] is None),
        shelf=own,
    )


def flour_of(dough: Contents, shelf: Shelf) -> float:
    """Return the g of flour base in `dough`, the wheat flour of a recipe to convert counted too."""
    return sum(p.mass_g for p in dough.parts if is_flour(shelf[p.ingredient]))


def is_poured(line: Line | LineFacts) -> bool:
    """Return whether `line` is plain water that is poured as the dough is mixed: not that of a gel, soak or leaven."""
    return line.ingredient == WATER and line.stage not in OUTSIDE_DOUGH and line.stage not in AHEAD


def poured_water_g(lines: Iterable[Line | LineFacts]) -> float:
    """Return the g of water that is poured as the dough is mixed."""
    return sum(x.mass_g for x in lines if is_poured(x))


def other_water_g(analysis: FormulaAnalysis) -> float:
    """Return the g of counted water that is not poured: of milk, egg, honey, butter, and of what is made ahead."""
    counted = [x for x in analysis.lines if x.in_dough and x.water_counts and not is_poured(x)]
    return sum(x.brings_g["water_g"] or 0.0 for x in counted)


def poured_pct(analysis: FormulaAnalysis, poured_g: float) -> float:
    """Return the total water (% of flour base) with `poured_g` (g) poured in place of the formula's own water.

    Raises BadInputError without flour.
    """
    if analysis.flour_g <= 0:
        raise BadInputError("there is no flour to take a share of", right="add the blend first")
    return 100 * (other_water_g(analysis) + poured_g) / analysis.flour_g


def total_of(mix: Contents, nutrient: str) -> Estimate:
    """Return the g (or mg, kJ: the nutrient's unit) of `nutrient` in the whole of `mix`, with its 95 % interval."""
    return mix.nutrients[nutrient].times(mix.mass_g / 100)


_PerG = dict[str, float | None]


def _facts(n: int, line: Line, shelf: Shelf, flour_g: float, per_g: _PerG) -> LineFacts:
    item = None if line.ingredient == BLEND else shelf[line.ingredient]
    return LineFacts(
        index=n,
        ingredient=line.ingredient,
        name=item.name if item else "The blend",
        role=item.role if item else Role.OTHER,
        stage=line.stage,
        mass_g=line.mass_g,
        flour_pct=100 * line.mass_g / flour_g if flour_g > 0 else None,
        in_dough=line.stage not in OUTSIDE_DOUGH,
        brings_g={name: None if c is None else c * line.mass_g for name, c in per_g.items()},
        water_counts=item is not None and water_counts(item),
    )


def _per_g(formula: Formula, shelf: Shelf) -> dict[str, _PerG]:
    """What 1 g holds (g) of each ingredient of the lines and of the blend, by slug; None where unknown."""
    slugs = {*(x.ingredient for x in formula.lines), *(p.ingredient for p in formula.blend)} - {BLEND}
    found = {slug: _contents(shelf[slug].facts) for slug in slugs}
    found[BLEND] = _per_g_of_blend(formula.blend, found)
    return found


def _contents(facts: Mapping[str, Fact]) -> _PerG:
    return {n: f.range.typical / 100 if (f := facts.get(n)) is not None else None for n in COUNTED}


def _per_g_of_blend(blend: Sequence[Part], held: Mapping[str, _PerG]) -> _PerG:
    """What 1 g of the blend holds; None where one of its parts has no value, for unknown is not zero."""
    total = sum(p.mass_g for p in blend)
    found: _PerG = dict.fromkeys(COUNTED)
    for n in COUNTED if blend else ():
        known = [p.mass_g / total * c for p in blend if (c := held[p.ingredient][n]) is not None]
        found[n] = sum(known) if len(known) == len(blend) else None
    return found


def water_share(item: Ingredient) -> float:
    """Return the g of water in 1 g of `item` that counts as a dough's water; 0 where unknown or not counted."""
    water = item.range_of("water_g")
    return water.typical / 100 if water is not None and water_counts(item) else 0.0


def counted_water(lines: Sequence[Line], shelf: Shelf) -> float:
    """Return the g of counted water in those of `lines` that are mixed into the dough."""
    return sum(
        x.mass_g * water_share(shelf[x.ingredient])
        for x in lines
        if x.ingredient != BLEND and x.stage not in OUTSIDE_DOUGH
    )


def default_stage(item: Ingredient) -> Stage:
    """Return the stage at which `item` commonly goes in; a rule of thumb that the cook may change."""
    if item.role is Role.BINDER:
        return Stage.DRY if item.slug.endswith("gum") or item.slug == "hpmc" else Stage.GEL
    if is_flour(item):
        return Stage.DRY
    fat, water = item.range_of("fat_g"), item.range_of("water_g")
    if fat is not None and fat.typical > 60:
        return Stage.FAT
    if item.slug == "raisins":
        return Stage.FOLD_IN
    return Stage.WET if water is not None and water.typical > 10 and item.slug != "fresh-yeast" else Stage.DRY


def with_water(lines: Sequence[Line], change_g: float, shelf: Shelf) -> tuple[tuple[Line, ...], float]:
    """Return the lines with `change_g` (g) more water in the dough, and the g of it that could not be taken away.

    What is added goes to the largest line of poured water, or a new one. What is taken leaves the poured water first,
    then that of what is made ahead, then milk, as a cook would pour less of it.
    """
    if change_g >= 0:
        # Tap water is not all water by the table: its minerals are a trace, and the balance is exact.
        return _with_more(lines, change_g / water_share(shelf[WATER])), 0.0
    done, left = list(lines), -change_g
    for slug in (WATER, *MILKS):
        for n in sorted(_in_dough(done, slug), key=lambda n: (done[n].stage in AHEAD, -done[n].mass_g)):
            share = water_share(shelf[slug])
            taken = min(left, done[n].mass_g * share)
            left -= taken
            done[n] = replace(done[n], mass_g=done[n].mass_g - taken / share)
    return tuple(x for x in done if x.mass_g > _NOTHING_G), left if left > _NOTHING_G else 0.0


_NOTHING_G = 1e-9


def _in_dough(lines: Sequence[Line], slug: str) -> list[int]:
    return [n for n, x in enumerate(lines) if x.ingredient == slug and x.stage not in OUTSIDE_DOUGH]


def _with_more(lines: Sequence[Line], mass_g: float) -> tuple[Line, ...]:
    water = [n for n, x in enumerate(lines) if is_poured(x)]
    if not water:
        return (*lines, Line(WATER, mass_g, Stage.WET)) if mass_g > 0 else tuple(lines)
    most = max(water, key=lambda n: lines[n].mass_g)
    return tuple(replace(x, mass_g=x.mass_g + mass_g) if n == most else x for n, x in enumerate(lines))


def consistency_or_usual(formula: Formula, offered: Sequence[str]) -> str | None:
    """Return the formula's consistency, or the first of those `offered` for its use; None where there is none.

    Raises BadInputError for a consistency that the use does not know.
    """
    wanted = formula.consistency
    if wanted is None:
        return offered[0] if offered else None
    if wanted not in CONSISTENCIES:
        raise UnknownNameError("consistency", wanted, CONSISTENCIES, place="/consistency")
    if offered and wanted not in offered:
        near = nearest_names(wanted, offered) or list(offered)
        raise BadInputError(
            f"no water is on record for this use at {wanted!r}", place="/consistency", right=f"use {' or '.join(near)}"
        )
    return wanted
