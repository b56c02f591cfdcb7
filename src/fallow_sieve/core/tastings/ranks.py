"""Ranks within tasters: Friedman with ties, Iman and Davenport's F, Skillings and Mack where cells are missing.

Friedman (1937), Conover (1999) § 5.8, Iman & Davenport (1980), Skillings & Mack (1981), Demšar (2006). Pairs by Conover
or Nemenyi cry winners too often with three samples; they stand in a table, marked approximate, and crown nobody.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.numerics import distributions as stats
from fallow_sieve.core.numerics.repeatability import holm_corrected
from fallow_sieve.core.tastings.permutation import Row
from fallow_sieve.core.values import BadInputError


@dataclass(frozen=True, slots=True)
class Friedman:
    """Friedman's χ² with ties and its p, Iman and Davenport's F and its p, and the sum of ranks of each sample."""

    chi2: float
    p: float
    f: float
    f_p: float
    rank_sums: tuple[float, ...]


def ranked(row: Row) -> list[float | None]:
    """Return the ranks (1 the least) of a taster's marks, ties shared; what was not tasted has none.

    >>> ranked([7, 5, None, 5])
    [3.0, 1.5, None, 1.5]
    """
    there = [v for v in row if v is not None]
    ranks = iter(stats.rankdata(there)) if there else iter(())
    return [None if v is None else float(next(ranks)) for v in row]


def friedman(rows: Sequence[Sequence[float]]) -> Friedman:
    """Return Friedman's test of complete rows, a row a taster, marks in points or ranks without unit.

    Raises BadInputError where every taster tied every sample: nothing was told apart.
    """
    r = np.array([ranked(row) for row in rows], dtype=float)
    n, k = r.shape
    sums, squares = r.sum(axis=0), float((r**2).sum())
    spread = squares - n * k * (k + 1) ** 2 / 4
    if spread <= 0:
        raise BadInputError("every taster tied every sample", place="/rows", right="there is nothing to test")
    chi2 = (k - 1) * float(((sums - n * (k + 1) / 2) ** 2).sum()) / spread
    rest = n * (k - 1) - chi2
    f = math.inf if rest <= 1e-12 else (n - 1) * chi2 / rest
    f_p = float(stats.f.sf(f, k - 1, (n - 1) * (k - 1)))
    return Friedman(chi2, float(stats.chi2.sf(chi2, k - 1)), f, f_p, tuple(float(s) for s in sums))


def skillings_mack(rows: Sequence[Row]) -> tuple[float, float]:
    """Return Skillings and Mack's statistic and its p by χ²; rows are tasters' marks in points, None was not tasted."""
    told = [r for r in rows if sum(v is not None for v in r) > 1]
    if not told:
        raise BadInputError("no taster with two marks", place="/rows", right="give each taster's marks, one a sample")
    k = len(told[0])
    weighted, together = np.zeros(k), np.zeros((k, k))
    for row in told:
        there = np.array([v is not None for v in row])
        got = int(there.sum())
        ranks = np.array([(got + 1) / 2 if v is None else v for v in ranked(row)], dtype=float)
        weighted += math.sqrt(12 / (got + 1)) * (ranks - (got + 1) / 2)
        together += np.outer(there, there)
    covariance = np.diag(together.sum(axis=1)) - together
    statistic = float(weighted @ np.linalg.pinv(covariance) @ weighted)
    return statistic, float(stats.chi2.sf(statistic, np.linalg.matrix_rank(covariance)))


@dataclass(frozen=True, slots=True)
class RankPair:
    """Two samples by their places in the rows: p by Conover (and with Holm over all pairs), and by Nemenyi."""

    a: int
    b: int
    conover_p: float
    conover_holm_p: float
    nemenyi_p: float


def rank_pairs(rows: Sequence[Sequence[float]]) -> tuple[RankPair, ...]:
    """Return every pair of samples of complete rows (points or ranks), approximate: a table, no verdict."""
    r = np.array([ranked(row) for row in rows], dtype=float)
    n, k = r.shape
    sums = r.sum(axis=0)
    places = list(itertools.combinations(range(k), 2))
    conover = [_conover(r, sums, a, b) for a, b in places]
    unit = math.sqrt(k * (k + 1) / (6 * n))
    nemenyi = [
        float(stats.studentized_range.sf(abs(sums[a] - sums[b]) / n / unit * math.sqrt(2), k, np.inf))
        for a, b in places
    ]
    return tuple(
        RankPair(a, b, p, h, q)
        for (a, b), p, h, q in zip(places, conover, holm_corrected(conover), nemenyi, strict=True)
    )


def _conover(r: NDArray[np.float64], sums: NDArray[np.float64], a: int, b: int) -> float:
    n, k = r.shape
    df = (n - 1) * (k - 1)
    spread = 2 * (n * float((r**2).sum()) - float((sums**2).sum())) / df
    if spread <= 0:
        return 0.0 if sums[a] != sums[b] else 1.0
    return float(2 * stats.t.sf(abs(sums[a] - sums[b]) / math.sqrt(spread), df))
