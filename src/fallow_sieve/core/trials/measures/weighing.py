"""What is worked out from a scale, a ruler and a probe: bake loss, rise, the core's target. First-order uncertainty.

JCGM 100:2008 (GUM), the readings independent of one another.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from fallow_sieve.core.values import BadInputError

BOILS_SEA_C, METRES_PER_K, UNDER_BOILING_K = 100.0, 300.0, 1.5


@dataclass(frozen=True, slots=True)
class Measured:
    """A measure that was worked out: its value and sd in its unit, and how."""

    value: float
    sd: float
    how: str


def scale_sd(step_g: float) -> float:
    """Return the sd (g) of a reading of a scale whose steps are `step_g`: a rectangle of its width, step ÷ √12."""
    return step_g / math.sqrt(12)


def bake_loss(in_g: float, out_g: float, scale_step_g: float = 1.0) -> Measured:
    """Return the bake loss in % of the g that went in: 100 (in − out) ÷ in. Raises BadInputError for what grew.

    >>> round(bake_loss(692, 621).value, 4), round(bake_loss(692, 621).sd, 5)
    (10.2601, 0.05605)
    """
    if not 0 < out_g <= in_g:
        raise BadInputError(
            f"{out_g:g} g came out where {in_g:g} g went in", place="/mass_out_g", right="weigh the same pieces twice"
        )
    u, left = scale_sd(scale_step_g), out_g / in_g
    return Measured(100 * (1 - left), 100 / in_g * u * math.hypot(1, left), "weighed")


def rise(start_mm: float, now_mm: float, sd_mm: float = 0.7) -> Measured:
    """Return the rise of a straight jar in %: height ÷ height at its start − 1.

    >>> rise(40, 68).value, round(rise(40, 68).sd, 2)
    (70.0, 3.45)
    """
    if start_mm <= 0:
        raise BadInputError("a height of nothing", place="/start_mm", right="measure the height when it was filled")
    ratio = now_mm / start_mm
    value = round(100 * (ratio - 1), 10)
    return Measured(value, 100 * sd_mm / start_mm * math.hypot(1, ratio), "jar")


def boiling_c(altitude_m: float) -> float:
    """Return where water boils, °C, at a height above the sea: 100 − h ÷ 300 (within 0.04 K at 600–3 000 m)."""
    return BOILS_SEA_C - altitude_m / METRES_PER_K


def core_target_c(plan_c: float, altitude_m: float | None) -> float:
    """Return the core to aim for, °C: the plan's, or 1.5 K under boiling where that is less.

    >>> round(core_target_c(98, 1150), 4)
    94.6667
    """
    return plan_c if altitude_m is None else min(plan_c, boiling_c(altitude_m) - UNDER_BOILING_K)
