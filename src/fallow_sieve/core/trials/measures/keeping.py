"""How firm a bake goes as it is kept: the slope of ln(firmness) over the days, or from two days a difference."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from statistics import mean

from fallow_sieve.core.values import BadInputError

DAYS_FOR_A_RATE = 3
GIVE_SD_PCT = 2.0  # of the mean give of three slices, as `measures.csv` has it


@dataclass(frozen=True, slots=True)
class Keeping:
    """How firmness went: `times` the firmness of the first day on the last, and per day (%; None from two days).

    `shown` says whether the give differs by more than two readings of one crumb do.
    """

    times: float
    per_day_pct: float | None
    days: int
    shown: bool


def keeping(give_pct: Mapping[int, float]) -> Keeping:
    """Return how a bake firmed from its give (% of the slice) by day: firmness is the foot's pressure ÷ give.

    From three days on the rate is exp(slope) − 1, the slope of ln(firmness) by least squares over the days.

    >>> k = keeping({0: 22.0, 2: 12.7})
    >>> round(k.times, 2), k.per_day_pct, k.shown
    (1.73, None, True)
    >>> round(keeping({0: 22.0, 1: 16.5, 2: 12.7}).per_day_pct, 1)
    31.6
    """
    if len(give_pct) < 2 or min(give_pct.values()) <= 0:
        raise BadInputError("one day's give, or none", right="measure it on two days, over 0 %")
    days = sorted(give_pct)
    firm = [-math.log(give_pct[d]) for d in days]
    apart = abs(give_pct[days[0]] - give_pct[days[-1]])
    shown = apart > 1.96 * math.sqrt(2) * GIVE_SD_PCT
    rate = 100 * math.expm1(_slope(days, firm)) if len(days) >= DAYS_FOR_A_RATE else None
    return Keeping(math.exp(firm[-1] - firm[0]), rate, len(days), shown)


def keeping_line(give_pct: Mapping[int, float]) -> str:
    """Return how a bake kept in one sentence from its give (% of the slice) by day; empty from fewer than two days."""
    if len(give_pct) < 2:
        return ""
    found = keeping(give_pct)
    first, last = min(give_pct), max(give_pct)
    if not found.shown:
        return f"Firmness: no difference shown from day {first} to day {last}."
    word = "as firm" if found.times >= 1 else "as firm, that is softer,"
    line = f"On day {last} it was {found.times:.1f} times {word} as on day {first}"
    if found.per_day_pct is None:
        return f"{line} (from two days: a difference, no rate)."
    return f"{line}: {found.per_day_pct:+.0f} % a day over {found.days} days.".replace("-", "−")


def _slope(days: list[int], values: list[float]) -> float:
    x, y = mean(days), mean(values)
    return sum((d - x) * (v - y) for d, v in zip(days, values, strict=True)) / sum((d - x) ** 2 for d in days)
