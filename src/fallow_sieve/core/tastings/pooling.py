"""Several days of one question, pooled: tasters seen twice are averaged; with none and three days, days as studies.

DerSimonian & Laird (1986) with the interval of Hartung & Knapp (2001); else tasters as blocks. Planned looks share the
level.
"""

from __future__ import annotations

import math
from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.numerics import distributions as stats
from fallow_sieve.core.tastings.answers import Marks, plain
from fallow_sieve.core.tastings.liking import LEVEL, differences, mean_of
from fallow_sieve.core.tastings.permutation import Row

LEAST_DAYS = 3


@dataclass(frozen=True, slots=True)
class Pooled:
    """A difference over studies: estimate, its standard error, variance between them, Q, I² (%), 95 % interval."""

    estimate: float
    se: float
    tau2: float
    q: float
    i2_pct: float
    low: float
    high: float


def over_studies(values: Sequence[float], variances: Sequence[float]) -> Pooled:
    """Return estimates and their variances (points, points²) pooled after DerSimonian and Laird; `se` is theirs.

    The interval is Hartung and Knapp's, by t with one degree fewer than studies.
    """
    y, v = np.array(values, float), np.array(variances, float)
    w = 1 / v
    fixed = float((w * y).sum() / w.sum())
    q, df = float((w * (y - fixed) ** 2).sum()), len(y) - 1
    tau2 = max(0.0, (q - df) / float(w.sum() - (w**2).sum() / w.sum()))
    w = 1 / (v + tau2)
    estimate, se = float((w * y).sum() / w.sum()), math.sqrt(1 / float(w.sum()))
    spread = math.sqrt(float((w * (y - estimate) ** 2).sum()) / (df * float(w.sum())))
    half = float(stats.t.ppf(0.975, df)) * spread
    return Pooled(estimate, se, tau2, q, max(0.0, 100 * (q - df) / q) if q else 0.0, estimate - half, estimate + half)


def by_taster(days: Sequence[Marks]) -> Marks:
    """Return the marks of several days as one table (points): a taster seen twice is averaged, samples by name."""
    names: dict[str, str] = {}
    cells: dict[tuple[str, str], list[float]] = defaultdict(list)
    tasters: dict[str, str] = {}
    for day in days:
        for sample in day.samples:
            names.setdefault(plain(sample), sample)
        for taster, row in zip(day.tasters, day.rows, strict=True):
            tasters.setdefault(plain(taster), taster)
            for sample, value in zip(day.samples, row, strict=True):
                if value is not None:
                    cells[plain(taster), plain(sample)].append(value)
    rows: list[Row] = [tuple(_mean(cells.get((t, s))) for s in names) for t in tasters]
    return Marks(tuple(names.values()), tuple(tasters.values()), tuple(rows))


def _mean(values: list[float] | None) -> float | None:
    return sum(values) / len(values) if values else None


def seen_twice(days: Sequence[Marks]) -> bool:
    """Return whether a named taster sat at more than one of the tables."""
    seen = [plain(t) for day in days for t in day.tasters]
    return len(seen) > len(set(seen))


def difference_over_days(days: Sequence[Marks], a: str, b: str) -> Pooled | None:
    """Return a − b (points) with days as studies; None with under three days, a taster seen twice, or a day of one."""
    found = [d for day in days if len(d := _of(day, a, b)) > 1]
    if len(found) < LEAST_DAYS or seen_twice(days):
        return None
    variances = [float(np.var(d, ddof=1)) / len(d) for d in found]
    if min(variances) <= 0:
        return None
    return over_studies([mean_of(d).value for d in found], variances)


def _of(day: Marks, a: str, b: str) -> list[float]:
    places: Mapping[str, int] = {plain(s): i for i, s in enumerate(day.samples)}
    if plain(a) not in places or plain(b) not in places:
        return []
    return differences(day.rows, places[plain(a)], places[plain(b)])


def day_by_sample(days: Sequence[Marks]) -> float | None:
    """Return p (0–1) that samples differ alike on every day: F of day × sample over tasters within days.

    None where there is nothing to test: one day, other samples, gaps, or no spread within.
    """
    whole = [np.array([r for r in d.rows if all(v is not None for v in r)], float) for d in days]
    names = {tuple(plain(s) for s in d.samples) for d in days}
    if len(days) < 2 or len(names) != 1 or any(len(w) < 2 for w in whole):
        return None
    k, n = whole[0].shape[1], sum(len(w) for w in whole)
    grand = np.concatenate([w - w.mean(axis=1, keepdims=True) for w in whole]).mean(axis=0)
    between = within = 0.0
    for w in whole:
        centred = w - w.mean(axis=1, keepdims=True)
        between += len(w) * float(((centred.mean(axis=0) - grand) ** 2).sum())
        within += float(((centred - centred.mean(axis=0)) ** 2).sum())
    df, rest = (len(days) - 1) * (k - 1), (n - len(days)) * (k - 1)
    if within <= 0 or rest <= 0:
        return None
    return float(stats.f.sf(between / df / (within / rest), df, rest))


def level_of_looks(looks: int) -> float:
    """Return the level (0–1) of each of so many planned looks (a count)."""
    return LEVEL / max(1, looks)
