"""Pouring: which water is poured, how more or less of it is given, and the plan of holding back."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.formulas.analysis import FormulaAnalysis, LineFacts
from fallow_sieve.core.formulas.formula import AHEAD, BLEND, MILKS, OUTSIDE_DOUGH, WATER, Line, Stage, water_share
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.errors import BadInputError


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


def counted_water(lines: Sequence[Line], shelf: Shelf) -> float:
    """Return the g of counted water in those of `lines` that are mixed into the dough."""
    return sum(
        x.mass_g * water_share(shelf[x.ingredient])
        for x in lines
        if x.ingredient != BLEND and x.stage not in OUTSIDE_DOUGH
    )


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


HOLD_BACK = 0.85
STEP_PCT = 2.0
REST_MINUTES = (10, 15)


@dataclass(frozen=True, slots=True)
class PourStep:
    """One step of adding water: what to do, g to pour, g poured so far, total water then (% of flour base)."""

    say: str
    pour_g: float
    poured_g: float
    total_pct: float


def hold_back(low_pct: float, high_pct: float, flour_g: float, other_water_g: float) -> tuple[PourStep, ...]:
    """Return the steps of the hold-back plan: 85 % of the low end, a rest, then steps of 2 % of flour to the high end.

    `other_water_g` is the g of water that the other lines bring. Raises BadInputError without flour.
    """
    if flour_g <= 0:
        raise BadInputError("there is no flour to wet", right="add the blend first")
    first = max(0.0, HOLD_BACK * low_pct / 100 * flour_g - other_water_g)
    most = max(first, high_pct / 100 * flour_g - other_water_g)
    step = STEP_PCT / 100 * flour_g

    def pct(poured: float) -> float:
        return 100 * (poured + other_water_g) / flour_g

    low, high = REST_MINUTES
    begin = "Pour this first, mix" if first > 0 else "Mix what is there without the water"
    steps = [
        PourStep(
            f"{begin}, and rest {low}–{high} minutes: starch and fibre wet slowly.",
            first,
            first,
            pct(first),
        )
    ]
    poured = first
    while poured < most - 1e-9:
        add = min(step, most - poured)
        poured += add
        steps.append(PourStep("Work it in; stop when it feels right.", add, poured, pct(poured)))
    return tuple(steps)
