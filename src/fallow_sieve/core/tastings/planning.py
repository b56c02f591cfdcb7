"""How many tasters next time, and what this table could have seen: power of a paired t at a difference worth having."""

from __future__ import annotations

import math

from scipy.optimize import brentq

from fallow_sieve.core.numerics import distributions as stats

POWER, LEVEL = 0.80, 0.05
MOST_TASTERS = 2000
_PLAIN = 30.0  # a shift in standard errors that any panel sees; the tail is not computed beyond


def power(difference: float, sd: float, tasters: int) -> float:
    """Return the share of panels that would show a difference; it and the sd of paired differences in points."""
    if tasters < 2:
        return 0.0
    if sd <= 0:
        return 1.0 if difference else LEVEL
    df, shift = tasters - 1, abs(difference) / sd * math.sqrt(tasters)
    if shift > _PLAIN:
        return 1.0
    edge = float(stats.t.ppf(1 - LEVEL / 2, df))
    # The library gives no number for a far tail on the other side, where nothing is left.
    other = float(stats.nct.cdf(-edge, df, shift))
    return float(stats.nct.sf(edge, df, shift)) + (0.0 if math.isnan(other) else other)


def tasters_needed(worth: float, sd: float) -> int:
    """Return the least tasters for 80 % power at a difference worth having, both in points; at most 2 000.

    >>> tasters_needed(1.0, 1.7), tasters_needed(1.0, 1.2)
    (25, 14)
    """
    low, high = 1, 2
    while high < MOST_TASTERS and power(worth, sd, high) < POWER:
        low, high = high, min(2 * high, MOST_TASTERS)
    while high - low > 1:
        middle = (low + high) // 2
        low, high = (low, middle) if power(worth, sd, middle) >= POWER else (middle, high)
    return high


def spread_between(worth: float, sd: float, df: int) -> tuple[int, int]:
    """Return tasters needed (counts) by the ends of the 95 % χ² interval of an sd (points) with `df` degrees."""
    low = sd * math.sqrt(df / float(stats.chi2.ppf(0.975, df)))
    high = sd * math.sqrt(df / float(stats.chi2.ppf(0.025, df)))
    return tasters_needed(worth, low), tasters_needed(worth, high)


def seen_with(sd: float, tasters: int) -> float:
    """Return the difference (points) that so many tasters see 4 times in 5; sd of paired differences in points."""
    if sd <= 0 or tasters < 2:
        return 0.0 if sd <= 0 else math.inf
    return float(brentq(lambda d: power(d, sd, tasters) - POWER, 0.0, 200 * sd, xtol=1e-6))
