"""Liking 1–9: means and paired differences with 95 % t intervals, and whether one sample beat each other.

Tasters are blocks: every comparison is within tasters. A winner beats *each* other by its own paired t, without further
correction, for all must hold; a pooled error crowns too often where tasters spread differently. Rows with gaps are read
by least squares, liking ~ taster + sample.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.numerics import distributions as stats
from fallow_sieve.core.tastings.permutation import Row

LEVEL = 0.05


@dataclass(frozen=True, slots=True)
class Mean:
    """A mean or difference in points of liking, its 95 % interval and two-sided p against 0; None where n is 1."""

    value: float
    low: float | None
    high: float | None
    sd: float | None
    n: int
    p: float | None


def mean_of(values: Sequence[float]) -> Mean:
    """Return the mean of marks or differences (points) with its t interval; where all are alike p is the sign test's.

    >>> round(mean_of([2, 2, 3, 1, 2, 3]).value, 3)
    2.167
    """
    n, mean = len(values), float(np.mean(values))
    if n < 2:
        return Mean(mean, None, None, None, n, None)
    sd = float(np.std(values, ddof=1))
    if sd == 0:
        return Mean(mean, mean, mean, 0.0, n, 2.0 ** (1 - n) if mean else 1.0)
    half = float(stats.t.ppf(0.975, n - 1)) * sd / math.sqrt(n)
    p = float(2 * stats.t.sf(abs(mean) / (sd / math.sqrt(n)), n - 1))
    return Mean(mean, mean - half, mean + half, sd, n, p)


def differences(rows: Sequence[Row], a: int, b: int) -> list[float]:
    """Return a − b (points) of each taster who tasted both samples."""
    pairs = ((row[a], row[b]) for row in rows)
    return [x - y for x, y in pairs if x is not None and y is not None]


def sample_means(rows: Sequence[Row]) -> list[float]:
    """Return the mean liking (points) of each sample: plain, or by least squares ~ taster + sample where cells miss."""
    k = len(rows[0])
    told = [r for r in rows if any(v is not None for v in r)]
    if all(v is not None for r in told for v in r):
        return [float(np.mean([r[j] or 0.0 for r in told])) for j in range(k)]
    cells = [(i, j, v) for i, r in enumerate(told) for j, v in enumerate(r) if v is not None]
    design = np.zeros((len(cells), k + len(told)))
    for at, (i, j, _) in enumerate(cells):
        design[at, j] = design[at, k + i] = 1.0
    found = np.linalg.lstsq(design, np.array([v for *_, v in cells]), rcond=None)[0]
    # The tasters' part is known up to a constant: it is laid to the samples, which are as the mean taster's.
    return [float(v) for v in found[:k] + found[k:].mean()]


def sample_intervals(rows: Sequence[Row]) -> list[Mean]:
    """Return each sample's mean liking (points) with its 95 % interval: its own marks' t, or of the least squares."""
    k = len(rows[0])
    own = [[v for r in rows if (v := r[j]) is not None] for j in range(k)]
    told = [r for r in rows if any(v is not None for v in r)]
    if not told or all(v is not None for r in told for v in r):
        return [mean_of(v) if v else Mean(math.nan, None, None, None, 0, None) for v in own]
    means = sample_means(rows)
    return [_around(m, mean_of(v), v) for m, v in zip(means, own, strict=True)]


def _around(value: float, own: Mean, marks: Sequence[float]) -> Mean:
    """The interval of a sample's own marks, laid about its mean among all tasters."""
    if not marks or own.low is None or own.high is None:
        return Mean(value, None, None, None, len(marks), None)
    return Mean(value, value - (own.value - own.low), value + (own.high - own.value), own.sd, own.n, None)


def winner(rows: Sequence[Row], global_p: float, level: float = LEVEL) -> int | None:
    """Return the place of the sample that won: all differ (p without unit), and it beats each other within tasters."""
    if global_p > level:
        return None
    means = sample_means(rows)
    best = max(range(len(means)), key=lambda j: means[j])
    for other in range(len(means)):
        found = differences(rows, best, other)
        if other != best and (len(found) < 2 or not _beats(mean_of(found), level)):
            return None
    return best


def _beats(d: Mean, level: float) -> bool:
    return d.value > 0 and d.p is not None and d.p <= level


def lower_limit(values: Sequence[float]) -> float:
    """Return the one-sided 95 % lower limit of the mean difference (points): over −X, new is no more than X worse."""
    found = mean_of(values)
    if found.sd is None:
        return -math.inf
    return found.value - float(stats.t.ppf(0.95, found.n - 1)) * found.sd / math.sqrt(found.n)
