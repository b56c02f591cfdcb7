"""Words ticked or not: Cochran's Q, its exact p within tasters, and Holm over the words.

Cochran (1950). Ticks permuted within tasters: the sum of squared column totals orders them as Q does.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.numerics import distributions as stats
from fallow_sieve.core.numerics.repeatability import holm_corrected
from fallow_sieve.core.tastings.permutation import GlobalTest, Row, permutation_test


@dataclass(frozen=True, slots=True)
class WordTest:
    """A word: how many ticked it of each sample, its exact test, and p (0–1) corrected for the number of words."""

    word: str
    counts: tuple[int, ...]
    test: GlobalTest
    corrected_p: float


def cochran_q(rows: Sequence[Sequence[float]]) -> tuple[float, float]:
    """Return Cochran's Q of complete rows of ticks (0 or 1), and its p by χ²; 0 and 1 where nobody parted any."""
    x = np.array(rows, dtype=float)
    k, columns, by_row = x.shape[1], x.sum(axis=0), x.sum(axis=1)
    within = float((by_row * (k - by_row)).sum())
    if within == 0:
        return 0.0, 1.0
    q = k * (k - 1) * float(((columns - columns.mean()) ** 2).sum()) / within
    return q, float(stats.chi2.sf(q, k - 1))


def word_tests(ticks: Mapping[str, Sequence[Row]]) -> list[WordTest]:
    """Return each word's test; rows are tasters with 1 (ticked), 0 or None (not tasted). Raises BadInputError."""
    tests = {w: permutation_test(rows) for w, rows in ticks.items()}
    corrected = holm_corrected([t.p for t in tests.values()])
    counts = {w: tuple(int(sum(r[j] or 0 for r in rows)) for j in range(len(rows[0]))) for w, rows in ticks.items()}
    return [WordTest(w, counts[w], t, p) for (w, t), p in zip(tests.items(), corrected, strict=True)]
