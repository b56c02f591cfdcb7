"""Spread of biscuits, give of a crumb under a weight, lightness from a photo, and how many pieces stayed whole."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import mean

from fallow_sieve.core.numerics import distributions as stats
from fallow_sieve.core.trials.measures.weighing import Measured
from fallow_sieve.core.values import BadInputError

G_M_S2 = 9.81
STACK_SD_MM = 0.7
SLICES_AGREE = 0.20  # two slices beside each other may differ by so much of their mean
WHITE_PAPER_Y = 0.86
PHOTO_SD_L = 5.0


def spread(rows_mm: Sequence[float], stacks_mm: Sequence[float], count: int = 6) -> Measured:
    """Return width ÷ thickness of biscuits, `count` in a row and stacked, after AACC 10-50.05 without its corrections.

    >>> s = spread([432, 437], [63, 62])
    >>> round(s.value, 3), round(s.sd, 3)
    (6.952, 0.078)
    """
    if not rows_mm or not stacks_mm or min(*rows_mm, *stacks_mm) <= 0 or count < 1:
        raise BadInputError("a row or a stack of nothing", right="measure a row and a stack in mm")
    width, thick = mean(rows_mm), mean(stacks_mm)
    ratio = width / thick
    # One ruler for both: what is left is the stack, which is the shorter.
    return Measured(ratio, ratio * STACK_SD_MM / thick, f"{count} in a row, {count} stacked")


@dataclass(frozen=True, slots=True)
class Give:
    """How far a flat foot sinks: % of the slice, its secant (kPa) under the foot's pressure (kPa).

    `agree` says whether the slices are near enough to one another to be told.
    """

    compression_pct: float
    pressure_kpa: float
    secant_kpa: float
    agree: bool


def give(sunk_mm: Sequence[float], foot_mm: float = 36.0, mass_g: float = 250.0, slice_mm: float = 25.0) -> Give:
    """Return the give under a weight. Kitchen firmness: only ratios within one kitchen mean anything.

    >>> g = give([5.5, 6.0, 5.0])
    >>> round(g.pressure_kpa, 4), g.compression_pct, round(g.secant_kpa, 2), g.agree
    (2.4094, 22.0, 10.95, True)
    """
    if not sunk_mm or min(sunk_mm) < 0 or max(sunk_mm) >= slice_mm or min(foot_mm, mass_g, slice_mm) <= 0:
        raise BadInputError("a weight that sank through the slice", place="/sunk_mm", right="under its thickness, mm")
    area_mm2 = math.pi * foot_mm**2 / 4
    pressure = mass_g / 1000 * G_M_S2 / area_mm2 * 1000
    depth = mean(sunk_mm)
    share = depth / slice_mm
    apart = (max(sunk_mm) - min(sunk_mm)) / depth if depth > 0 else 0.0
    secant = pressure / share if share > 0 else math.inf
    return Give(100 * share, pressure, secant, apart <= SLICES_AGREE)


def lightness(
    paper: tuple[float, float, float], crust: tuple[float, float, float], paper_y: float = WHITE_PAPER_Y
) -> Measured:
    """Return L* (ISO/CIE 11664-4) of a crust from sRGB 0–255 of white paper and of the crust in one photo, ± 10.

    >>> round(lightness((228, 226, 221), (150, 104, 62)).value, 3)
    50.579
    """
    white = _luminance(paper)
    if white <= 0:
        raise BadInputError("paper that is black", place="/paper", right="tap the white paper first")
    y = _luminance(crust) / white * paper_y
    cube = y ** (1 / 3) if y > (6 / 29) ** 3 else y / (3 * (6 / 29) ** 2) + 4 / 29
    return Measured(116 * cube - 16, PHOTO_SD_L, "photo")


def _luminance(srgb: tuple[float, float, float]) -> float:
    """Relative luminance by IEC 61966-2-1."""
    linear = [c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4 for c in (v / 255 for v in srgb)]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]


def whole_share(whole: int, boiled: int) -> tuple[float, float, float]:
    """Return the % that stayed whole, with the Jeffreys 95 % interval (Brown, Cai & DasGupta 2001).

    >>> tuple(round(x) for x in whole_share(10, 12))
    (83, 56, 96)
    """
    if not 0 <= whole <= boiled or boiled < 1:
        raise BadInputError(f"{whole} whole of {boiled}", place="/whole", right="count both")
    low, high = (float(stats.beta.ppf(q, whole + 0.5, boiled - whole + 0.5)) for q in (0.025, 0.975))
    low, high = (0.0 if whole == 0 else low), (1.0 if whole == boiled else high)
    return 100 * whole / boiled, 100 * low, 100 * high
