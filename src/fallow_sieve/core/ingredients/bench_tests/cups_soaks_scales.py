"""Bench tests of a bag: cup weight, water taken up, and the check of the kitchen's own scale.

Each takes masses in g as they were read, and returns the number, its interval and a verdict. See docs/method.md.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.ingredients.ingredient import Fact, Quality
from fallow_sieve.core.numerics.repeated_readings import Measured, Verdict, measured, verdict
from fallow_sieve.core.values import BadInputError, Range

WAYS_TO_FILL = {"sifted": "sifted in", "spooned": "spooned in", "dipped": "dipped and levelled"}
MOST_G = 1e6


def _check_mass(mass_g: float, place: str, least_g: float = 0.0) -> None:
    if not (math.isfinite(mass_g) and least_g < mass_g <= MOST_G):
        raise BadInputError(f"a mass of {mass_g:g} g", place=place, right=f"it must be over {least_g:g} g")


@dataclass(frozen=True, slots=True)
class CupWeight:
    """How heavy a cup is: density in g/mL (range: where the next cup falls), grams a cup, and the verdict."""

    density: Range
    mean: Measured
    cup_g: Range
    verdict: Verdict


def cup_fact(found: CupWeight, way: str, noted_on: str) -> Fact:
    """Return a cup weight as a fact (density in g/mL), measured on the ISO date `noted_on`."""
    source = f"cup weight, {len(found.mean.readings)} cups {WAYS_TO_FILL[way]}"
    return Fact(found.density, Quality.MEASURED, source, noted_on)


def cup_weight(
    net_g: Sequence[float], cup_ml: float, way: str, typical: float | None, readability_g: float = 1.0
) -> CupWeight:
    """Return the density from levelled cups of `cup_ml` mL that weighed `net_g` g each without the cup.

    `typical` is the density taken so far (g/mL), `readability_g` the scale's. The range is that of the next cup,
    as it is cups that it is used for. Raises BadInputError naming the reading.
    """
    if way not in WAYS_TO_FILL:
        raise BadInputError(f"filled {way!r}", place="/way", right=f"one of {', '.join(WAYS_TO_FILL)}")
    if not 5 <= cup_ml <= 5000:
        raise BadInputError(f"a cup of {cup_ml:g} mL", place="/cup_ml", right="from 5 to 5000 mL")
    for n, mass_g in enumerate(net_g):
        _check_mass(mass_g, f"/net_g/{n}")
        if not 0.05 <= mass_g / cup_ml <= 2.0:
            raise BadInputError(
                f"{mass_g:g} g in {cup_ml:g} mL",
                place=f"/net_g/{n}",
                right="check the cup's size, and that it was tared",
            )
    found = measured([m / cup_ml for m in net_g], readability_g / 2 / cup_ml)
    density = found.range_of_next
    cup = Range(density.low * cup_ml, density.typical * cup_ml, density.high * cup_ml)
    said = f"{found.mean:.3f} ± {found.half_width:.3f} g/mL, {cup.typical:.0f} g in your cup, {WAYS_TO_FILL[way]}"
    return CupWeight(
        density,
        found,
        cup,
        verdict(
            found.range,
            typical,
            "weighs {} more by the cup than typical",
            "weighs {} less by the cup than typical",
            said,
        ),
    )


@dataclass(frozen=True, slots=True)
class WaterTaken:
    """How much water a flour takes up: g per g with its interval, what the cloth held (g), and the verdict."""

    thirst: Range
    mean: Measured
    cloth_water_g: float
    verdict: Verdict


@dataclass(frozen=True, slots=True)
class Soak:
    """One run, in g: dry flour, and the wet flour in its cloth or sieve after draining."""

    flour_g: float
    drained_g: float


def water_fact(found: WaterTaken, noted_on: str) -> Fact:
    """Return the water taken up as a fact (thirst in g/g), measured on the ISO date `noted_on`."""
    source = f"water taken up, {len(found.mean.readings)} runs less the blank"
    return Fact(found.thirst, Quality.MEASURED, source, noted_on)


def water_taken_up(
    runs: Sequence[Soak], cloth_dry_g: float, cloth_wet_g: float, typical: float | None, readability_g: float = 1.0
) -> WaterTaken:
    """Return the water that a flour takes up, in g per g, from `runs`.

    The cloth (or sieve) weighed `cloth_dry_g` dry and `cloth_wet_g` after a blank run with water alone, in g: what
    it holds is no water of the flour's. g/g = (drained − wet cloth − flour) ÷ flour. `typical` is the thirst taken
    so far (g/g). Raises BadInputError naming the reading.
    """
    _check_mass(cloth_dry_g, "/cloth_dry_g", -1e-9)
    _check_mass(cloth_wet_g, "/cloth_wet_g", -1e-9)
    if cloth_wet_g < cloth_dry_g:
        raise BadInputError(
            f"the cloth weighs {cloth_wet_g:g} g wet and {cloth_dry_g:g} g dry",
            place="/cloth_wet_g",
            right="wet it, drain it as with flour, and weigh it again",
        )
    taken = [_taken(run, cloth_wet_g, n) for n, run in enumerate(runs)]
    smallest_g = min(run.flour_g for run in runs) if runs else 1.0
    found = measured(taken, readability_g / smallest_g)
    said = f"{found.mean:.2f} ± {found.half_width:.2f} g/g"
    words = ("takes {} more water than typical", "takes {} less water than typical")
    return WaterTaken(found.range, found, cloth_wet_g - cloth_dry_g, verdict(found.range, typical, *words, said))


MOST_THIRST = 60.0


def _taken(run: Soak, cloth_wet_g: float, n: int) -> float:
    _check_mass(run.flour_g, f"/runs/{n}/flour_g")
    _check_mass(run.drained_g, f"/runs/{n}/drained_g")
    water_g = run.drained_g - cloth_wet_g - run.flour_g
    if water_g < 0 or water_g > MOST_THIRST * run.flour_g:
        raise BadInputError(
            f"{run.drained_g:g} g drained of {run.flour_g:g} g flour in a wet cloth of {cloth_wet_g:g} g",
            place=f"/runs/{n}/drained_g",
            right="weigh it in its cloth; flour that ran through the cloth spoils the run",
        )
    return water_g / run.flour_g


@dataclass(frozen=True, slots=True)
class ScaleCheck:
    """What a scale can tell: its readability and repeatability (g), and the smallest dose it weighs to 5 % (g)."""

    readability_g: float
    repeatability_g: float
    mean_g: float
    smallest_dose_g: float
    say: str


SCALE_READINGS = 10
_DOSE_ERROR = 0.05
# A scale that shows whole steps hides a spread below 0.41 of one: United States Pharmacopeia, General Chapter 41.
_HIDDEN_SPREAD = 0.41


def scale_check(readings_g: Sequence[float], readability_g: float) -> ScaleCheck:
    """Return what ten `readings_g` (g) of one coin tell of a scale that shows steps of `readability_g` g.

    Smallest dose = 2 s ÷ 5 %, with the standard deviation s at least 0.41 of a step. Raises BadInputError.
    """
    if not 1e-4 <= readability_g <= 100:
        raise BadInputError(f"steps of {readability_g:g} g", place="/readability_g", right="from 0.0001 to 100 g")
    if len(readings_g) < SCALE_READINGS:
        raise BadInputError(f"{len(readings_g)} weighings", place="/readings_g", right=f"{SCALE_READINGS} of one coin")
    for n, mass_g in enumerate(readings_g):
        _check_mass(mass_g, f"/readings_g/{n}")
    found = measured(readings_g)
    if max(readings_g) > 1.5 * min(readings_g):
        raise BadInputError(
            "the readings are of different things", place="/readings_g", right="weigh one coin throughout"
        )
    spread_g = max(found.sd, _HIDDEN_SPREAD * readability_g)
    dose_g = 2 * spread_g / _DOSE_ERROR
    say = (
        f"Your scale shows steps of {readability_g:g} g and repeats within {2 * spread_g:.2g} g; "
        f"it weighs {dose_g:.2g} g and more to within 5 %."
    )
    return ScaleCheck(readability_g, spread_g, found.mean, dose_g, say)
