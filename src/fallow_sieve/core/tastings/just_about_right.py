"""Just about right: how much liking is lost where it is too little or too much.

The raw mean drop where a side was chosen by a fifth; *backed* only by five marks on that side and an interval of
liking ~ taster + low + high that lies below 0. Never a bootstrap on two marks.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.numerics import distributions as stats

LEAST_SHARE, LEAST_MARKS = 0.20, 5
MIDDLE = 3
Told = tuple[str, float, int]  # taster, liking (points), mark 1 (far too little) to 5 (far too much)


@dataclass(frozen=True, slots=True)
class Drop:
    """A side of a scale: marks there and in all, points of liking less than just right (None: not compared), backed."""

    marks: int
    of: int
    points: float | None
    estimate: float | None
    low: float | None
    high: float | None
    backed: bool


@dataclass(frozen=True, slots=True)
class RightFor:
    """An attribute of a sample: marks at each of the five points (counts), and both sides."""

    counts: tuple[int, int, int, int, int]
    too_little: Drop
    too_much: Drop


def right_for(told: Sequence[Told], every: Sequence[Told] = ()) -> RightFor:
    """Return what marks of one attribute say of one sample; `every` are the marks of all samples, for the model.

    Points are liking 1–9, marks 1–5.
    """
    counts = [sum(m == step for _, _, m in told) for step in range(1, 6)]
    fitted = _fitted(list(every) or list(told))
    return RightFor(
        (counts[0], counts[1], counts[2], counts[3], counts[4]),
        _drop(told, sum(counts[:2]), [v for _, v, m in told if m < MIDDLE], fitted[0]),
        _drop(told, sum(counts[3:]), [v for _, v, m in told if m > MIDDLE], fitted[1]),
    )


Interval = tuple[float, float, float] | None


def _drop(told: Sequence[Told], marks: int, there: Sequence[float], fit: Interval) -> Drop:
    right = [v for _, v, m in told if m == MIDDLE]
    enough = bool(told) and marks / len(told) >= LEAST_SHARE and bool(right)
    points = float(np.mean(right) - np.mean(there)) if enough and there else None
    value, low, high = fit or (None, None, None)
    backed = points is not None and marks >= LEAST_MARKS and high is not None and high < 0
    return Drop(marks, len(told), points, value, low, high, backed)


def _fitted(told: Sequence[Told]) -> tuple[Interval, Interval]:
    """Effects of low and high on liking with 95 % intervals, tasters apart; None where they cannot be told."""
    tasters = sorted({t for t, _, _ in told})
    sides = [np.array([float(m < MIDDLE) for *_, m in told]), np.array([float(m > MIDDLE) for *_, m in told])]
    used = [i for i, s in enumerate(sides) if s.any() and not s.all()]
    x = np.column_stack([np.array([[float(t == u) for u in tasters] for t, *_ in told]), *(sides[i] for i in used)])
    y = np.array([v for _, v, _ in told])
    df = len(told) - int(np.linalg.matrix_rank(x)) if len(told) else 0
    if not used or df < 1:
        return None, None
    inverse = np.linalg.pinv(x.T @ x)
    b = inverse @ x.T @ y
    spread = float(((y - x @ b) ** 2).sum()) / df
    reach = float(stats.t.ppf(0.975, df))
    found: list[Interval] = [None, None]
    for place, side in enumerate(used):
        at = len(tasters) + place
        half = reach * float(np.sqrt(max(0.0, spread * inverse[at, at])))
        found[side] = (float(b[at]), float(b[at]) - half, float(b[at]) + half)
    return found[0], found[1]
