"""Least squares beside the map: coefficients with standard errors, analysis of variance, what is left, PRESS.

By QR on columns of unit size, with the residual refined at higher precision (Björck 1967). Draper & Smith (1998);
lack of fit against replicates, PRESS after Allen (1974).
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.experiments.regions import SAME, Array
from fallow_sieve.core.numerics import distributions as stats
from fallow_sieve.core.values import BadInputError

_REFINED = 3


@dataclass(frozen=True, slots=True)
class Source:
    """A line of the analysis of variance: sum of squares, degrees of freedom, their ratio (response unit squared)."""

    ss: float
    df: int

    @property
    def ms(self) -> float:
        """The mean square (response unit squared), 0 without degrees of freedom."""
        return self.ss / self.df if self.df else 0.0


@dataclass(frozen=True, slots=True)
class LackOfFit:
    """What the model misses against what replicates differ: F and its p (None: not to be tested)."""

    lack: Source
    pure: Source
    f: float | None
    p: float | None


@dataclass(frozen=True, slots=True)
class Fit:
    """A fit: coefficients and standard errors (response unit), analysis of variance, R² of three kinds, residuals.

    `p` is that of the regression, `leverage` the diagonal of the hat matrix, `studentized` residuals ÷ their sd.
    """

    coefficients: Array
    se: Array
    regression: Source
    residual: Source
    total: Source
    f: float
    p: float
    r2: float
    adjusted_r2: float
    press: float
    predicted_r2: float
    rmse: float
    fitted: Array
    residuals: Array
    leverage: Array
    studentized: Array
    lack_of_fit: LackOfFit


def least_squares(columns: Array, y: Array) -> tuple[Array, Array, Array]:
    """Return coefficients, the inverse of X′X, and leverages of y ~ columns, by QR on scaled columns, refined.

    Raises BadInputError where the columns do not tell their terms apart.
    """
    size = np.linalg.norm(columns, axis=0)
    if (size == 0).any():
        raise BadInputError("a term that is never there", place="/results", right="fewer terms")
    scaled = columns / size
    q, r = np.linalg.qr(scaled)
    if np.abs(np.diag(r)).min() < 1e-10:
        raise BadInputError("the bakes do not tell the terms apart", place="/results", right="bake other points")
    b = np.linalg.solve(r, q.T @ y)
    exact, wanted = scaled.astype(np.longdouble), y.astype(np.longdouble)
    at = b.astype(np.longdouble)
    for _ in range(_REFINED):
        left = (wanted - exact @ at).astype(float)
        at = at + np.linalg.solve(r, q.T @ left)
    inverse = np.linalg.inv(r)
    return (at / size).astype(float), (inverse @ inverse.T) / np.outer(size, size), (q**2).sum(axis=1)


def fit(columns: Array, y: Array, points: Array | None = None) -> Fit:
    """Return a fit of y (response unit) on columns that hold a constant; `points` tell replicates apart.

    Raises BadInputError where the terms cannot be told apart.
    """
    n, p = columns.shape
    b, inverse, leverage = least_squares(columns, y)
    residuals = y - columns @ b
    rest = Source(float((residuals**2).sum()), n - p)
    total = Source(float(((y - y.mean()) ** 2).sum()), n - 1)
    model = Source(total.ss - rest.ss, p - 1)
    s2 = rest.ms
    f = model.ms / s2 if s2 > 0 else np.inf
    open_ = np.maximum(1 - leverage, 1e-12)
    press = float(((residuals / open_) ** 2).sum())
    return Fit(
        coefficients=b, se=np.sqrt(np.maximum(0.0, s2 * np.diag(inverse))), regression=model, residual=rest,
        total=total, f=float(f), p=float(stats.f.sf(f, model.df, rest.df)) if rest.df and model.df else 1.0,
        r2=1 - rest.ss / total.ss if total.ss else 1.0,
        adjusted_r2=1 - rest.ms / total.ms if total.ss and rest.df else float("nan"),
        press=press, predicted_r2=1 - press / total.ss if total.ss else 0.0, rmse=float(np.sqrt(s2)),
        fitted=columns @ b, residuals=residuals, leverage=leverage,
        studentized=residuals / np.sqrt(np.maximum(s2 * open_, 1e-300)),
        lack_of_fit=lack_of_fit(points if points is not None else columns, y, rest),
    )  # fmt: skip


def replicate_groups(points: Array) -> list[list[int]]:
    """Return which rows are the same point, by their places, in the order in which they first stand."""
    groups: list[list[int]] = []
    for i, x in enumerate(points):
        group = next((g for g in groups if np.abs(points[g[0]] - x).max() < SAME), None)
        groups.append([i]) if group is None else group.append(i)
    return groups


def replicate_pairs(points: Array) -> int:
    """Return the number of replicate pairs: the degrees of freedom of pure error (a count)."""
    return sum(len(g) - 1 for g in replicate_groups(points))


def lack_of_fit(points: Array, y: Array, rest: Source) -> LackOfFit:
    """Return what is left (response unit squared), parted into what replicates differ and what the model misses."""
    groups = replicate_groups(points)
    pure = Source(sum(float(((y[g] - y[g].mean()) ** 2).sum()) for g in groups), sum(len(g) - 1 for g in groups))
    lack = Source(max(0.0, rest.ss - pure.ss), rest.df - pure.df)
    if lack.df < 1 or pure.df < 1 or pure.ms <= 0:
        return LackOfFit(lack, pure, None, None)
    f = lack.ms / pure.ms
    return LackOfFit(lack, pure, f, float(stats.f.sf(f, lack.df, pure.df)))
