"""Pouring: which water is poured, how more or less of it is given, and the plan of holding back."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.formulas.analysis import FormulaAnalysis, LineFacts
from fallow_sieve.core.formulas.formula import AHEAD, BLEND, OUTSIDE_DOUGH, WATER, Line, When, water_share
from fallow_sieve.core.ingredients import Kind, Shelf
from fallow_sieve.core.values import BadInputError


def is_poured(line: Line | LineFacts) -> bool:
    """Return whether `line` is plain water that is poured as the dough is mixed: not that of a gel, soak or leaven."""
    return line.ingredient == WATER and line.when not in OUTSIDE_DOUGH and line.when not in AHEAD


def poured_water_g(lines: Iterable[Line | LineFacts]) -> float:
    """Return the g of water that is poured as the dough is mixed."""
    return sum(x.mass_g for x in lines if is_poured(x))


@dataclass(frozen=True, slots=True)
class PouredWater:
    """Which lines are poured as the dough is mixed (their places, the largest first), and how much (g).

    `ahead_g` is the g of plain water that is in a gel, soak or leaven already.
    """

    lines: tuple[int, ...]
    poured_g: float
    ahead_g: float


def poured_water(analysis: FormulaAnalysis) -> PouredWater:
    """Return the plain water of a formula: what is poured and what is in already, in g."""
    poured = sorted((x for x in analysis.lines if is_poured(x)), key=lambda x: -x.mass_g)
    ahead = (x.mass_g for x in analysis.lines if x.ingredient == WATER and x.when in AHEAD)
    return PouredWater(tuple(x.index for x in poured), sum(x.mass_g for x in poured), sum(ahead))


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
        if x.ingredient != BLEND and x.when not in OUTSIDE_DOUGH
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
    for lines_of in (_water_lines, _milk_lines):
        for n in sorted(lines_of(done, shelf), key=lambda n: (done[n].when in AHEAD, -done[n].mass_g)):
            share = water_share(shelf[done[n].ingredient])
            taken = min(left, done[n].mass_g * share)
            left -= taken
            done[n] = replace(done[n], mass_g=done[n].mass_g - taken / share)
    return tuple(x for x in done if x.mass_g > _NOTHING_G), left if left > _NOTHING_G else 0.0


_NOTHING_G = 1e-9


def _water_lines(lines: Sequence[Line], shelf: Shelf) -> list[int]:
    return [n for n, x in enumerate(lines) if x.ingredient == WATER and x.when not in OUTSIDE_DOUGH]


def _milk_lines(lines: Sequence[Line], shelf: Shelf) -> list[int]:
    """The lines of milk in the dough that have water to give."""
    return [n for n, x in enumerate(lines) if is_milk(x, shelf) and water_share(shelf[x.ingredient]) > 0]


def is_milk(line: Line, shelf: Shelf) -> bool:
    """Return whether `line` is milk of the dough, of animal or plant."""
    in_dough = line.ingredient != BLEND and line.when not in OUTSIDE_DOUGH
    return in_dough and shelf[line.ingredient].function(Kind.MILK) is not None


def _with_more(lines: Sequence[Line], mass_g: float) -> tuple[Line, ...]:
    water = [n for n, x in enumerate(lines) if is_poured(x)]
    if not water:
        return (*lines, Line(WATER, mass_g, When.WET)) if mass_g > 0 else tuple(lines)
    most = max(water, key=lambda n: lines[n].mass_g)
    return tuple(replace(x, mass_g=x.mass_g + mass_g) if n == most else x for n, x in enumerate(lines))


HOLD_BACK = 0.85
MOST_STEPS = 60
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
    for ahead in _stops(first, most, step):
        steps.append(PourStep("Work it in; stop when it feels right.", ahead - poured, ahead, pct(ahead)))
        poured = ahead
    return tuple(steps)


def _stops(first: float, most: float, step: float) -> list[float]:
    """How far each step goes (g): nobody takes more than a few dozen, however wide the window is."""
    count = min(MOST_STEPS, math.ceil((most - first) / step - 1e-9)) if most > first + 1e-9 else 0
    wide = max(step, (most - first) / MOST_STEPS)
    return [min(most, first + wide * n) for n in range(1, count)] + [most] * (count > 0)
