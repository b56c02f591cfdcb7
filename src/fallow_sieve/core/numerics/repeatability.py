"""Repeatability: how much two bakes of one thing differ by themselves, and what a difference has to be to be told.

A pooled sd with a table's value worth so many degrees of freedom (scaled inverse χ², Gelman et al., Bayesian Data
Analysis, 3rd ed., ch. 2–3); several measures at once after Holm 1979 (Scand. J. Stat. 6, 65–70).
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from fallow_sieve.core.numerics import distributions as stats

CERTAIN = 0.95


@dataclass(frozen=True, slots=True)
class Spread:
    """A pooled sd in the measure's unit and the degrees of freedom behind it; `own_df` are those of one's own bakes."""

    sd: float
    df: float
    own_df: int


def pooled(groups: Iterable[Sequence[float]], table_sd: float, table_df: float) -> Spread:
    """Return the sd of a single bake: s² = (ν₀ s₀² + SS) ÷ (ν₀ + df), SS within groups of repeats.

    >>> s = pooled([[2.31, 2.47, 2.36], [2.12, 2.20]], 0.15, 4)
    >>> round(s.sd, 4), s.df
    (0.1234, 7.0)
    """
    squares, own = 0.0, 0
    for values in groups:
        if len(values) > 1:
            squares += float(np.sum((np.asarray(values, dtype=float) - np.mean(values)) ** 2))
            own += len(values) - 1
    df = table_df + own
    return Spread(math.sqrt((table_df * table_sd**2 + squares) / df), float(df), own)


@dataclass(frozen=True, slots=True)
class Effect:
    """A difference of means, its 95 % half width and p, of so many values on either side."""

    difference: float
    half_width: float
    p: float
    n: tuple[int, int]


def effect(before: Sequence[float], after: Sequence[float], spread: Spread) -> Effect:
    """Return mean(after) − mean(before) ± t · s · √(1/n₁ + 1/n₂).

    >>> e = effect([2.12, 2.20], [2.31, 2.47, 2.36], Spread(0.12339, 7.0, 3))
    >>> round(e.difference, 2), round(e.half_width, 3)
    (0.22, 0.266)
    """
    se = spread.sd * math.sqrt(1 / len(before) + 1 / len(after))
    difference = float(np.mean(after) - np.mean(before))
    p = float(2 * stats.t.sf(abs(difference) / se, spread.df)) if se > 0 else (1.0 if difference == 0 else 0.0)
    return Effect(difference, quantile(spread.df) * se, p, (len(before), len(after)))


@lru_cache(maxsize=512)
def quantile(df: float) -> float:
    """Return the t of a two-sided 95 % interval at so many degrees of freedom."""
    return float(stats.t.ppf(0.5 + CERTAIN / 2, df))


def half_width_of_mean(n: int, spread: Spread) -> float:
    """Return the 95 % half width of a mean of `n` values with a pooled spread."""
    return quantile(spread.df) * spread.sd / math.sqrt(n)


def least_told(spread: Spread, n: tuple[int, int] = (1, 1)) -> float:
    """Return the least difference that bakes of so many on either side could tell, in the measure's unit.

    >>> round(least_told(Spread(0.15, 4, 0)), 3)
    0.589
    """
    return quantile(spread.df) * spread.sd * math.sqrt(1 / n[0] + 1 / n[1])


def holm_corrected(p_values: Sequence[float]) -> list[float]:
    """Return several p corrected for their number after Holm (1979), each at most 1, without unit.

    >>> holm_corrected([0.01, 0.04, 0.03])
    [0.03, 0.06, 0.06]
    """
    order = sorted(range(len(p_values)), key=lambda i: p_values[i])
    found, highest = [0.0] * len(p_values), 0.0
    for place, i in enumerate(order):
        highest = max(highest, min(1.0, (len(p_values) - place) * p_values[i]))
        found[i] = highest
    return found


def holm(p_values: Sequence[float], level: float = 1 - CERTAIN) -> tuple[bool, ...]:
    """Return which of several p are decided together at `level`, after Holm.

    >>> holm([0.01, 0.04, 0.03])
    (True, False, False)
    """
    return tuple(p <= level for p in holm_corrected(p_values))
