"""Scaling a formula: by flour, by total, by pieces, by tin; rounding that keeps the total; and whole eggs.

A factor on every line keeps every percentage, and mass and water with it. Losses: mixing loss (dough left in bowl and
on hands, default 2 %) and bake loss (water that leaves in the oven, per use) are added before.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.formulas.analysis import FormulaAnalysis, LineFacts
from fallow_sieve.core.formulas.binder_choice import STEPS_OF_SCALE, Dilution, dilute
from fallow_sieve.core.formulas.formula import BLEND, OUTSIDE_DOUGH, Line, When, water_share
from fallow_sieve.core.formulas.pouring import with_water
from fallow_sieve.core.ingredients import Kind, Shelf
from fallow_sieve.core.values import BadInputError

MIXING_LOSS_PCT = 2.0
LARGEST_G = 1e8
FINE_STEPS = 10


@dataclass(frozen=True, slots=True)
class Scaled:
    """Scaled lines (g), the factor, the dough they give before losses (g), and how that came about."""

    lines: tuple[Line, ...]
    factor: float
    dough_g: float
    say: str


def scale_lines(lines: Sequence[Line], factor: float) -> tuple[Line, ...]:
    """Return `lines` with every mass (g) times `factor`. Raises BadInputError for a factor that cannot be."""
    if not (math.isfinite(factor) and factor > 0) or any(x.mass_g * factor > LARGEST_G for x in lines):
        raise BadInputError(f"a scale of {factor:.4g} times", right="the batch must be over 0 and under 100 t")
    return tuple(replace(x, mass_g=x.mass_g * factor) for x in lines)


def by_flour(formula: FormulaAnalysis, lines: Sequence[Line], flour_g: float) -> Scaled:
    """Return the lines scaled to a flour base of `flour_g` g. Raises BadInputError without flour."""
    if formula.flour_g <= 0:
        raise BadInputError("there is no flour to scale by", place="/flour_g", right="scale by the total instead")
    return _scaled(formula, lines, flour_g / formula.flour_g, f"{flour_g:.0f} g of flour")


def by_total(formula: FormulaAnalysis, lines: Sequence[Line], dough_g: float) -> Scaled:
    """Return the lines scaled to `dough_g` g of dough, fillings and finishes in proportion."""
    return _scaled(formula, lines, dough_g / _dough(formula), f"{dough_g:.0f} g of dough")


def by_pieces(
    formula: FormulaAnalysis,
    lines: Sequence[Line],
    pieces: int,
    piece_g: float,
    *,
    mixing_loss_pct: float = MIXING_LOSS_PCT,
    bake_loss_pct: float | None = None,
) -> Scaled:
    """Return the lines for `pieces` of `piece_g` g each: of dough, or baked where `bake_loss_pct` (%) is given."""
    if not 1 <= pieces <= 100_000:
        raise BadInputError(f"{pieces} pieces", place="/pieces", right="from 1 to 100 000")
    in_hand = pieces * piece_g / _left(bake_loss_pct or 0.0)
    dough_g = in_hand / _left(mixing_loss_pct)
    baked = f", {bake_loss_pct:g} % lost in baking" if bake_loss_pct else ""
    each = f"{piece_g:g} g baked" if bake_loss_pct else f"{piece_g:g} g"
    say = f"{pieces} piece{'s' if pieces > 1 else ''} of {each}, {mixing_loss_pct:g} % left in the bowl{baked}"
    return _scaled(formula, lines, dough_g / _dough(formula), say)


def _left(loss_pct: float) -> float:
    if not 0 <= loss_pct < 90:
        raise BadInputError(f"a loss of {loss_pct:g} %", right="from 0 to under 90 %")
    return 1 - loss_pct / 100


def _dough(formula: FormulaAnalysis) -> float:
    if formula.dough_g <= 0:
        raise BadInputError("there is no dough to scale", right="put at least one line into the dough")
    return formula.dough_g


def _scaled(formula: FormulaAnalysis, lines: Sequence[Line], factor: float, say: str) -> Scaled:
    return Scaled(scale_lines(lines, factor), factor, formula.dough_g * factor, say)


@dataclass(frozen=True, slots=True)
class Rounded:
    """Lines rounded to the scale's step (g); the total stays the exact one, rounded. `too_fine` are line indexes
    that the scale cannot weigh and that keep their exact mass; `moved_pct` is the most any line moved, in %.
    """

    lines: tuple[Line, ...]
    too_fine: tuple[int, ...]
    moved_pct: float


def round_to_step(lines: Sequence[Line], step_g: float) -> Rounded:
    """Return `lines` rounded to `step_g` g by largest remainder, so that the sum is the exact sum to the step.

    A line of under ten steps keeps its exact mass, for rounding could move it by over 5 %: it needs a finer scale or
    a dilution.
    """
    if not (math.isfinite(step_g) and 0 < step_g <= 1000):
        raise BadInputError(f"a step of {step_g:g} g", place="/step_g", right="over 0 and at most 1000 g")
    fine = tuple(n for n, x in enumerate(lines) if x.mass_g < FINE_STEPS * step_g)
    coarse = [n for n in range(len(lines)) if n not in fine]
    units = {n: lines[n].mass_g / step_g for n in coarse}
    whole = {n: math.floor(u + 1e-9) for n, u in units.items()}
    spare = round(sum(units.values())) - sum(whole.values())
    for n in sorted(coarse, key=lambda n: (whole[n] - units[n], n))[: max(0, spare)]:
        whole[n] += 1
    done = tuple(replace(x, mass_g=round(whole[n] * step_g, 9)) if n in whole else x for n, x in enumerate(lines))
    moved = max((100 * abs(done[n].mass_g / lines[n].mass_g - 1) for n in coarse), default=0.0)
    return Rounded(done, fine, moved)


@dataclass(frozen=True, slots=True)
class Eggs:
    """The eggs of a formula: how many (by `egg_g` g each), the nearest whole number, and the lines with that number.

    `water_g` is the plain water (g) that repairs it: more where egg was left out, less where it was added;
    `short_g` is what no water line could give back.
    """

    count: float
    egg_g: float
    whole: int
    lines: tuple[Line, ...]
    water_g: float
    short_g: float
    say: str


def whole_eggs(lines: Sequence[Line], egg_g: float, shelf: Shelf) -> Eggs | None:
    """Return the nearest whole eggs of `egg_g` g with the water repaired; None where the dough has no egg."""
    at = egg_lines(lines, shelf)
    if not at:
        return None
    mass = sum(lines[n].mass_g for n in at)
    count = mass / egg_g
    whole = max(1, math.floor(count + 0.5))
    wanted = whole * egg_g
    in_egg = sum(lines[n].mass_g * water_share(shelf[lines[n].ingredient]) for n in at) / mass
    change = (mass - wanted) * in_egg
    changed = [replace(x, mass_g=x.mass_g * wanted / mass) if n in at else x for n, x in enumerate(lines)]
    done, short = with_water(changed, change, shelf)
    return Eggs(count, egg_g, whole, done, change, short, _egg_words(count, mass, whole, egg_g, change, short))


def egg_lines(lines: Sequence[Line], shelf: Shelf) -> list[int]:
    """Return the places of whole egg among those of `lines` that are mixed into the dough."""
    return [
        n
        for n, x in enumerate(lines)
        if x.ingredient != BLEND and x.when not in OUTSIDE_DOUGH and shelf[x.ingredient].function(Kind.EGG)
    ]


def _egg_words(count: float, mass: float, whole: int, egg_g: float, change: float, short: float) -> str:
    if abs(count - whole) < 0.02:
        return f"{whole} egg{'s' if whole > 1 else ''} of {egg_g:.0f} g."
    way = f"{abs(change):.0f} g {'more' if change > 0 else 'less'} water"
    missing = f", of which {short:.0f} g cannot be taken away" if short > 0.05 else ""
    return (
        f"{count:.1f} eggs: whisk and weigh {mass:.0f} g, or take {whole} whole ({whole * egg_g:.0f} g) "
        f"and {way}{missing}."
    )


@dataclass(frozen=True, slots=True)
class SmallDose:
    """A line that the scale cannot weigh as it is: its name, and how to dilute it."""

    name: str
    dilution: Dilution


LIQUID_SHARE = 0.15  # of water, from which on a line is poured and not weighed dry; rule of thumb


def small_doses(analysis: FormulaAnalysis, readability_g: float) -> tuple[SmallDose, ...]:
    """Return the dry lines of the dough under twenty steps of a scale that shows `readability_g` g.

    The blend, fats and liquids need no dilution. Raises BadInputError where a finer scale is needed.
    """
    small = [x for x in analysis.lines if x.mass_g < STEPS_OF_SCALE * readability_g and _is_weighed_dry(x)]
    return tuple(SmallDose(x.name, dilute(x.mass_g, readability_g)) for x in small)


def _is_weighed_dry(x: LineFacts) -> bool:
    is_dry = x.in_dough and x.ingredient != BLEND and x.when is not When.FAT
    return is_dry and (x.brings_g["water_g"] or 0.0) < LIQUID_SHARE * x.mass_g
