"""One before another: the exact sign test, and how many of one mind a table of so many would see."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from scipy.optimize import brentq

from fallow_sieve.core.numerics import distributions as stats
from fallow_sieve.core.tastings.planning import LEVEL, POWER

_MOST = 200


@dataclass(frozen=True, slots=True)
class Preferred:
    """How many chose the first and the second (counts; who chose neither is not counted), and the two-sided p."""

    first: int
    second: int
    p: float


def preferred(first: int, second: int) -> Preferred:
    """Return the exact two-sided sign test of choices (counts).

    >>> round(preferred(7, 1).p, 4)
    0.0703
    """
    n = first + second
    p = min(1.0, 2 * float(stats.binom.sf(max(first, second) - 1, n, 0.5))) if n else 1.0
    return Preferred(first, second, p)


def least_agreeing(choices: int, level: float = LEVEL) -> int | None:
    """Return the least of so many choices (counts) for one side that shows a preference; None where none does."""
    return next((x for x in range(choices // 2 + 1, choices + 1) if preferred(x, choices - x).p <= level), None)


def share_seen(choices: int) -> float | None:
    """Return the share of people of one mind (0.5–1) that so many choices show 4 times in 5; None where none is."""
    least = least_agreeing(choices)
    if least is None:
        return None
    return float(brentq(lambda s: _shown(least, choices, s) - POWER, 0.5, 1.0, xtol=1e-6))


@cache
def preferences_needed(share: float) -> int:
    """Return the least choices (a count) that show `share` of one mind (0.5–1) 4 times in 5 and never less beyond."""
    short = [n for n in range(1, _MOST) if (x := least_agreeing(n)) is None or _shown(x, n, share) < POWER]
    return short[-1] + 1


def _shown(least: int, choices: int, share: float) -> float:
    return float(stats.binom.sf(least - 1, choices, share))
