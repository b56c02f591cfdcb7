"""How numbers are rounded on a label, by the European Union's guidance and by 21 CFR 101.9."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.labels.nutrition import AVAILABLE, Tolerance
from fallow_sieve.core.labels.rounding import RoundingClass, printed, significant
from fallow_sieve.reference.tables import read_table

_FIGURES = "figures "


@dataclass(frozen=True, slots=True)
class RoundingRow:
    """A class of a nutrient's values: from where to where, what it shows, and its step."""

    nutrient: str
    start: float
    below: float | None
    start_in: bool
    below_in: bool
    show: str
    step: float | None
    source: str


@dataclass(frozen=True, slots=True)
class ToleranceRow:
    """What the European Union tolerates around a declared value, from a value on, in g or %."""

    nutrient: str
    start: float
    below: float | None
    below_in: bool
    low: float
    high: float
    is_pct: bool
    source: str


@dataclass(frozen=True, slots=True)
class DailyValueRow:
    """A daily value of 21 CFR 101.9, in the nutrient's unit."""

    nutrient: str
    daily_value: float
    source: str
    sure: str


@cache
def _classes(table: str) -> dict[str, tuple[RoundingRow, ...]]:
    rows = read_table(table, RoundingRow)
    return {r.nutrient: tuple(x for x in rows if x.nutrient == r.nutrient) for r in rows}


def print_eu(nutrient: str, value: float) -> str:
    """Return a value (unit by the nutrient's name) as a label of the European Union prints it.

    >>> print_eu("fat_g", 9.95), print_eu("salt_g", 0.995), print_eu("energy_kj", 1467.5)
    ('10', '1.0', '1468')
    """
    return _print("eu_rounding", nutrient, value)


def print_us(nutrient: str, value: float) -> str:
    """Return a value (unit by the nutrient's name) as 21 CFR 101.9 prints it.

    >>> print_us("fat_g", 4.75), print_us("sodium_mg", 142), print_us("fibre_g", 0.7)
    ('5', '140', 'less than 1 g')
    """
    return _print("us_rounding", nutrient, value)


def _print(table: str, nutrient: str, value: float) -> str:
    rows = _classes(table)["carbohydrate_g" if nutrient == AVAILABLE else nutrient]
    if rows[0].show.startswith(_FIGURES):
        return significant(value, int(rows[0].show.removeprefix(_FIGURES)))
    return printed(value, [RoundingClass(r.start, r.below, r.start_in, r.below_in, r.show, r.step) for r in rows])


@cache
def eu_tolerances() -> tuple[Tolerance, ...]:
    """Return what the European Union tolerates around what is declared."""
    return tuple(
        Tolerance(r.nutrient, r.start, r.below, r.low, r.high, r.is_pct)
        for r in read_table("eu_tolerances", ToleranceRow)
    )


@cache
def daily_values() -> dict[str, float]:
    """Return the daily values of 21 CFR 101.9, in each nutrient's unit."""
    return {r.nutrient: r.daily_value for r in read_table("us_daily_values", DailyValueRow)}
