"""Units at the edge of the job: masses, cups, spoons and temperatures.

Inside, mass is in grams, volume in millilitres and temperature in °C. A cup or a spoon means nothing without
its standard, so every function that takes one asks for it.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.values.errors import QuantityError, UnknownNameError, shown

GRAMS_PER_OUNCE = 28.349523125  # international avoirdupois ounce, exact by definition (1959)
GRAMS_PER_POUND = 16 * GRAMS_PER_OUNCE
_GRAMS_PER = {"g": 1.0, "kg": 1000.0, "mg": 0.001, "oz": GRAMS_PER_OUNCE, "lb": GRAMS_PER_POUND}


class CupStandard(StrEnum):
    """Whose cup is meant."""

    US = "us"
    METRIC = "metric"
    IMPERIAL = "imperial"


class SpoonStandard(StrEnum):
    """Whose tablespoon is meant."""

    US = "us"
    METRIC = "metric"
    IMPERIAL = "imperial"
    AUSTRALIAN = "australian"


# US: 8 and 1/2 US fluid ounces; metric: by convention; Imperial: half an Imperial pint, and 5/8 fluid ounce.
CUP_ML = {CupStandard.US: 236.5882365, CupStandard.METRIC: 250.0, CupStandard.IMPERIAL: 284.130625}
TABLESPOON_ML = {
    SpoonStandard.US: 14.78676478125,
    SpoonStandard.METRIC: 15.0,
    SpoonStandard.IMPERIAL: 17.7581640625,
    SpoonStandard.AUSTRALIAN: 20.0,
}
_TEASPOONS_PER_TABLESPOON = {SpoonStandard.AUSTRALIAN: 4}


def cup_ml(standard: CupStandard) -> float:
    """Return the volume of one cup, in mL.

    >>> round(cup_ml(CupStandard.US), 1)
    236.6
    """
    return CUP_ML[standard]


def tablespoon_ml(standard: SpoonStandard) -> float:
    """Return the volume of one level tablespoon, in mL."""
    return TABLESPOON_ML[standard]


def teaspoon_ml(standard: SpoonStandard) -> float:
    """Return the volume of one level teaspoon, in mL: a third of the tablespoon, a quarter of a 20 mL one.

    >>> teaspoon_ml(SpoonStandard.METRIC), teaspoon_ml(SpoonStandard.AUSTRALIAN)
    (5.0, 5.0)
    """
    return TABLESPOON_ML[standard] / _TEASPOONS_PER_TABLESPOON.get(standard, 3)


def to_grams(amount: float, unit: str) -> float:
    """Return `amount` of the mass `unit` (g, kg, mg, oz, lb) in g. Raises UnknownNameError for another unit."""
    if unit not in _GRAMS_PER:
        raise UnknownNameError("unit of mass", unit, _GRAMS_PER)
    return amount * _GRAMS_PER[unit]


def from_grams(mass_g: float, unit: str) -> float:
    """Return `mass_g` (g) in the mass `unit` (g, kg, mg, oz, lb). Raises UnknownNameError for another unit."""
    if unit not in _GRAMS_PER:
        raise UnknownNameError("unit of mass", unit, _GRAMS_PER)
    return mass_g / _GRAMS_PER[unit]


def celsius_from_fahrenheit(temp_f: float) -> float:
    """Return °C for a temperature in °F.

    >>> celsius_from_fahrenheit(212)
    100.0
    """
    return (temp_f - 32) * 5 / 9


def fahrenheit_from_celsius(temp_c: float) -> float:
    """Return °F for a temperature in °C."""
    return temp_c * 9 / 5 + 32


@dataclass(frozen=True, slots=True)
class Basis:
    """The amount of an ingredient that numbers are stated for: a mass in g, or a volume in mL."""

    kind: str
    mass_g: float | None
    volume_ml: float | None
    cup_ml: float


_SPOON_OF_CUP = {
    CupStandard.US: SpoonStandard.US,
    CupStandard.METRIC: SpoonStandard.METRIC,
    CupStandard.IMPERIAL: SpoonStandard.IMPERIAL,
}
_GRAMS_PATTERN = re.compile(r"(\d{1,6}(?:\.\d{1,6})?)\s?g")


def parse_basis(text: str, standard: CupStandard = CupStandard.US, spoon: SpoonStandard | None = None) -> Basis:
    """Return the basis that `text` names: `100g`, `30g`, `quarter-cup`, `cup` or `tablespoon`.

    Volumes are in mL by the cup `standard`; the tablespoon follows it unless `spoon` says whose. Raises
    QuantityError.

    >>> parse_basis("quarter-cup", CupStandard.METRIC).volume_ml
    62.5
    """
    cup = cup_ml(standard)
    volumes = {
        "cup": cup,
        "quarter-cup": cup / 4,
        "tablespoon": tablespoon_ml(spoon or _SPOON_OF_CUP[standard]),
    }
    if text in volumes:
        return Basis(text, None, volumes[text], cup)
    match = _GRAMS_PATTERN.fullmatch(text)
    mass_g = float(match.group(1)) if match else math.nan
    if not mass_g > 0:
        raise QuantityError(
            f"cannot read the basis {shown(text)}",
            right="give 100g, another mass such as 30g, quarter-cup, cup or tablespoon",
        )
    return Basis(text, mass_g, None, cup)
