"""A formula: a blend at work with water, fat, sugar and the rest, each line a mass and when it goes in.

Baker's percentages are on the flour base of the dough: every flour of the blend and of the lines, binders and
`other` left out, as is (see docs/method.md). What is filled in or finished with later is weighed and paid for, but
is no part of the dough. Water is counted from composition; the flours' own moisture is not.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import Blend, Contents, Part, contents, drawing_on
from fallow_sieve.core.formulas.formula import (
    BLEND,
    OUTSIDE_DOUGH,
    Formula,
    Line,
    When,
    check_lines,
    is_flour,
    opened,
    water_counts,
)
from fallow_sieve.core.ingredients import NUTRIENTS, WORDS, Fact, Function, Ingredient, Role, Shelf
from fallow_sieve.core.values import Estimate

COUNTED = ("water_g", "fat_g", "sugars_g", "salt_g", "protein_g")


@dataclass(frozen=True, slots=True)
class LineFacts:
    """A line with its % of flour base (None without flour) and what it brings in g; None where unknown."""

    index: int
    ingredient: str
    name: str
    role: Role
    when: When
    mass_g: float
    flour_pct: float | None
    in_dough: bool
    brings_g: dict[str, float | None]
    water_counts: bool
    functions: tuple[Function, ...] = ()


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


def analyse_formula(formula: Formula, shelf: Shelf, names: Iterable[str] = NUTRIENTS) -> WorkedFormula:
    """Return what `formula` is, from the numbers of `shelf`: masses in g, hydration in % of flour base.

    `names` are the nutrients of `mix` and `dough`, those of COUNTED among them. Raises BadInputError for lines that
    cannot be used.
    """
    check_lines(formula.lines, shelf, bool(formula.blend))
    own = drawing_on(formula.blend, shelf)
    mixed = [x for x in formula.lines if x.when not in OUTSIDE_DOUGH]
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


def total_of(mix: Contents, nutrient: str) -> Estimate:
    """Return the g (or mg, kJ: the nutrient's unit) of `nutrient` in the whole of `mix`, with its 95 % interval."""
    return mix.nutrients[nutrient].times(mix.mass_g / 100)


_PerG = dict[str, float | None]


def _facts(n: int, line: Line, shelf: Shelf, flour_g: float, per_g: _PerG) -> LineFacts:
    item = None if line.ingredient == BLEND else shelf[line.ingredient]
    return LineFacts(
        index=n,
        ingredient=line.ingredient,
        name=_called(line, item),
        role=item.role if item else Role.OTHER,
        when=line.when,
        mass_g=line.mass_g,
        flour_pct=100 * line.mass_g / flour_g if flour_g > 0 else None,
        in_dough=line.when not in OUTSIDE_DOUGH,
        brings_g={name: None if c is None else c * line.mass_g for name, c in per_g.items()},
        water_counts=item is not None and water_counts(item),
        functions=item.functions if item else (),
    )


def _called(line: Line, item: Ingredient | None) -> str:
    """The name of a line: a line in words is called what it says."""
    if item is None:
        return "The blend"
    return line.note or item.name if line.ingredient == WORDS else item.name


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
