"""How light a flour is, from a photo of it beside white paper: the paper tells what the light and the camera did.

Luminance Y is that of sRGB (IEC 61966-2-1), lightness L* that of CIELAB (CIE 15). White paper sends back some 86 %
of the light; paper, uneven light and the camera's own curve together leave 16 % of Y open, a rule of thumb.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.ingredients.ingredient import Fact, Quality
from fallow_sieve.core.numerics.repeated_readings import Measured, Verdict, measured
from fallow_sieve.core.values import BadInputError, Range

Colour = tuple[float, float, float]

PAPER = 0.86
OPEN_SHARE = 0.16
_BURNT_OUT, _DIM = 253.0, 140.0
_MOST_RATIO = 1.1
_UNEVEN_L = 5.0


@dataclass(frozen=True, slots=True)
class Lightness:
    """How light a flour is: L* (0–100) with its range, the readings of its spots, and what to look at in the photo."""

    lightness: Range
    mean: Measured
    warnings: tuple[str, ...]
    verdict: Verdict


def luminance(colour: Colour) -> float:
    """Return the relative luminance Y (0–1) of an sRGB `colour` (three of 0–255).

    >>> round(luminance((228, 226, 221)), 3)
    0.761
    """
    red, green, blue = (_linear(c / 255) for c in colour)
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue


def _linear(part: float) -> float:
    return part / 12.92 if part <= 0.04045 else ((part + 0.055) / 1.055) ** 2.4


def lightness_of(reflected: float) -> float:
    """Return L* (0–100) of something that sends back the share `reflected` (0–1) of the light."""
    if reflected > (6 / 29) ** 3:
        return 116 * math.cbrt(reflected) - 16
    return reflected * (29 / 3) ** 3


def white_card(card: Colour, spots: Sequence[Colour], typical: float | None) -> Lightness:
    """Return the L* of a flour from `spots` of it and of the white `card` in one photo (sRGB, 0–255).

    `typical` is the L* taken so far. Raises BadInputError naming the colour.
    """
    for place, colour in (("/card", card), *((f"/spots/{n}", s) for n, s in enumerate(spots))):
        _check(colour, place)
    paper = luminance(card)
    if paper <= 0.05:
        raise BadInputError("a card that is nearly black", place="/card", right="white paper, in the same light")
    found = measured([_spot(luminance(s) / paper, n) for n, s in enumerate(spots)])
    # d L* = (L* + 16) ÷ 3 × d Y ÷ Y
    half = math.hypot(found.half_width, (found.mean + 16) / 3 * OPEN_SHARE)
    lightness = Range(max(0.0, found.mean - half), found.mean, min(100.0, found.mean + half))
    return Lightness(lightness, found, _warnings(card, found), _verdict(lightness, typical))


def _check(colour: Colour, place: str) -> None:
    if len(colour) != 3 or not all(math.isfinite(c) and 0 <= c <= 255 for c in colour):
        raise BadInputError("a colour that is none", place=place, right="red, green and blue, each from 0 to 255")


def _spot(ratio: float, n: int) -> float:
    if ratio > _MOST_RATIO:
        raise BadInputError(
            "a flour brighter than the card", place=f"/spots/{n}", right="lay both flat in the same light, in no shadow"
        )
    return lightness_of(PAPER * ratio)


def _warnings(card: Colour, found: Measured) -> tuple[str, ...]:
    warnings = []
    if max(card) >= _BURNT_OUT:
        warnings.append("The card is burnt out in the photo, so the flour reads too dark: take one a little darker.")
    if max(card) < _DIM:
        warnings.append("The photo is dark: take it by daylight at a window.")
    if max(found.readings) - min(found.readings) > _UNEVEN_L:
        warnings.append("The spots differ by more than 5 L*: smooth the flour, and mind shadows.")
    return tuple(warnings)


def _verdict(found: Range, typical: float | None) -> Verdict:
    value = f"L* {found.typical:.0f} ± {found.high - found.typical:.0f}"
    if typical is None:
        return Verdict("new", None, f"There was no lightness to compare with: {value}.")
    if found.low <= typical <= found.high:
        return Verdict("same", None, f"Your bag is as light as the typical one, as far as this can tell: {value}.")
    paler = found.typical > typical
    by = abs(found.typical - typical)
    say = f"Your bag is {'paler' if paler else 'darker'} than typical by {by:.0f} L*: {value}."
    return Verdict("more" if paler else "less", None, say)


def lightness_fact(found: Lightness, noted_on: str) -> Fact:
    """Return the lightness (L*) as a fact, measured on the ISO date `noted_on`."""
    source = f"beside a white card, {len(found.mean.readings)} spots"
    return Fact(found.lightness, Quality.MEASURED, source, noted_on)
