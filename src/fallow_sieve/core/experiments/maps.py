"""The cautious map: what few bakes say of every blend in the region, and how surely.

A quadratic in another basis, made orthonormal over the grid of *this* region: level, tilts, bends. Priors on all three,
in units that matter; sixteen pairs of tilt and bend weighed by marginal likelihood; noise with a scaled inverse χ²
prior; a day effect where there are days. Conjugate: a small solve each (Gelman et al., Bayesian Data Analysis, ch. 14).
"""

from __future__ import annotations

import itertools
import math
from dataclasses import dataclass

import numpy as np
from scipy.special import gammaln

from fallow_sieve.core.experiments.regions import Array
from fallow_sieve.core.experiments.terms import day_columns

TILTS, BENDS = (0.15, 0.3, 0.6, 1.2), (0.1, 0.2, 0.4, 0.8)  # sd in units that matter
LEVEL_SD, DAY_SD, NOISE_SD, NOISE_DF = 2.0, 0.3, 0.5, 6.0
Z95 = 1.96
DRAWS, SEED = 2000, 20_260_314


@dataclass(frozen=True, slots=True)
class Basis:
    """Columns orthonormal over a grid: how any point is turned into them (without unit)."""

    low: Array
    scale: float
    turn: Array
    tilts: int
    bends: int

    def at(self, x: Array) -> Array:
        """Return the columns at points (rows of shares 0–1): level, tilts, bends."""
        found: Array = _monomials(np.atleast_2d(x), self.low, self.scale) @ self.turn
        return found


def _monomials(x: Array, low: Array, scale: float) -> Array:
    u = (x[:, :-1] - low[:-1]) / scale
    q = u.shape[1]
    pairs = [u[:, i] * u[:, j] for i, j in itertools.combinations_with_replacement(range(q), 2)]
    return np.column_stack([np.ones(len(u)), u, *pairs])


def basis_over(grid: Array) -> Basis:
    """Return the basis that is orthonormal over a grid (rows of shares 0–1): each column's mean square is 1."""
    low, scale = grid.min(axis=0), float(max(np.ptp(grid, axis=0).max(), 1e-9))
    columns = _monomials(grid, low, scale)
    _, r = np.linalg.qr(columns / math.sqrt(len(grid)))
    weak = np.abs(np.diag(r)) < 1e-8  # a flat region has fewer bends than its parts would have
    r = r + np.diag(np.where(weak, 1e8, 0.0))
    q = grid.shape[1]
    return Basis(low, scale, np.linalg.inv(r), q - 1, q * (q - 1) // 2)


@dataclass(frozen=True, slots=True)
class Noted:
    """Bakes that are fitted: columns of their points, responses, days, and each one's own standard error (unit).

    `mean` is the prior mean at each (response unit).
    """

    columns: Array
    y: Array
    days: Array
    se: Array
    mean: Array


@dataclass(frozen=True, slots=True)
class Solved:
    """One pair of priors: coefficients' mean and covariance over σ², what is left, log determinant (no unit)."""

    mean: Array
    cov: Array
    quad: float
    log_det: float


def solve(columns: Array, y: Array, prior: Array, noise: Array) -> Solved:
    """Return coefficients of y ~ columns with prior variances and noise variances, both over σ² (no unit).

    `y` is what is left over the prior mean, in response units.
    """
    spread = (columns * prior) @ columns.T + np.diag(noise)
    root = np.linalg.cholesky(spread)
    whitened = np.linalg.solve(root, y)
    half = np.linalg.solve(root, columns * prior)
    cov = np.diag(prior) - half.T @ half
    return Solved(half.T @ whitened, cov, float(whitened @ whitened), 2 * float(np.log(np.diag(root)).sum()))


def log_normal(s: Solved, n: int, noise: float) -> float:
    """Return the log marginal likelihood of a solve whose variances are over a noise variance that is known."""
    return -0.5 * (n * math.log(2 * math.pi * noise) + s.log_det + s.quad / noise)


def _log_student(s: Solved, n: int, df: float, scale2: float) -> float:
    """The same with the noise variance unknown: a multivariate t with `df` degrees."""
    return float(
        gammaln((df + n) / 2) - gammaln(df / 2) - n / 2 * math.log(df * math.pi * scale2) - s.log_det / 2
        - (df + n) / 2 * math.log1p(s.quad / (df * scale2))
    )  # fmt: skip


@dataclass(frozen=True, slots=True)
class Map:
    """The map: coefficients' mean and covariance, and the parts of the mixture that they are joined of.

    `noise` is the sd of a bake (response unit) as it is now thought, `unit` the unit that matters.
    """

    basis: Basis
    prior_mean: float
    mean: Array
    cov: Array
    parts: tuple[tuple[float, Solved, float], ...]  # weight, solve, scale² of its noise
    df: float
    noise: float
    unit: float
    bakes: int

    def at(self, x: Array) -> tuple[Array, Array]:
        """Return mean and standard error (response unit) at points (rows of shares 0–1), beside the prior mean."""
        columns = self.basis.at(x)
        variance = np.einsum("ij,jk,ik->i", columns, self.cov, columns)
        return self.prior_mean + columns @ self.mean, np.sqrt(np.maximum(variance, 0.0))

    def draws(self, x: Array, count: int = DRAWS, seed: int = SEED) -> Array:
        """Return draws of the surface (response unit) at points, a column a draw, seeded."""
        found: Array = self.prior_mean + self.basis.at(x) @ self.coefficients(count, seed)
        return found

    def coefficients(self, count: int = DRAWS, seed: int = SEED) -> Array:
        """Return draws of the coefficients (response unit), a column a draw, seeded."""
        chance = np.random.default_rng(seed)
        weights = np.array([w for w, _, _ in self.parts])
        which = chance.multinomial(count, weights / weights.sum())
        found = [_drawn(p, n, self.df, chance) for p, n in zip(self.parts, which, strict=True) if n]
        return np.concatenate(found, axis=1)


def _drawn(part: tuple[float, Solved, float], n: int, df: float, chance: np.random.Generator) -> Array:
    _, solved, scale2 = part
    values, vectors = np.linalg.eigh(solved.cov)
    root = vectors * np.sqrt(np.maximum(values, 0.0))
    sigma = np.sqrt(scale2 * df / chance.chisquare(df, n))
    found: Array = solved.mean[:, None] + (root @ chance.standard_normal((len(values), n))) * sigma
    return found


@dataclass(frozen=True, slots=True)
class Kitchen:
    """What is known of the noise: replicates' sd (response unit; None: half a unit that matters) and its degrees."""

    noise_sd: float | None = None
    noise_df: float = NOISE_DF


def map_of(basis: Basis, noted: Noted, unit: float, kitchen: Kitchen | None = None) -> Map:
    """Return the map that bakes tell; `unit` is the unit that matters, in the response's own."""
    known = kitchen or Kitchen()
    s0 = known.noise_sd or NOISE_SD * unit
    level = float((noted.y - noted.mean).mean()) if len(noted.y) else 0.0
    left = noted.y - noted.mean - level
    blocks = day_columns(noted.days) if len(noted.days) else np.empty((0, 0))
    columns = np.hstack([noted.columns, blocks])
    noise = 1 + (noted.se / s0) ** 2
    n, df = len(noted.y), known.noise_df + len(noted.y)
    found = []
    for tilt, bend in itertools.product(TILTS, BENDS):
        prior = np.concatenate([_prior(basis, tilt, bend), np.full(blocks.shape[1], DAY_SD**2)]) * (unit / s0) ** 2
        solved = solve(columns, left, prior, noise)
        scale2 = (known.noise_df * s0**2 + solved.quad) / df
        found.append((_log_student(solved, n, known.noise_df, s0**2), solved, scale2))
    return _joined(basis, found, level, (df, unit, n))


def _prior(basis: Basis, tilt: float, bend: float) -> Array:
    """Prior variances in squared units that matter: tilts together tilt², bends together bend²."""
    tilts = np.full(basis.tilts, tilt**2 / basis.tilts)
    return np.concatenate([[LEVEL_SD**2], tilts, np.full(basis.bends, bend**2 / basis.bends)])


def _joined(basis: Basis, found: list[tuple[float, Solved, float]], level: float, how: tuple[float, float, int]) -> Map:
    df, unit, n = how
    logs = np.array([f[0] for f in found])
    weights = np.exp(logs - logs.max())
    weights /= weights.sum()
    size = 1 + basis.tilts + basis.bends
    means = np.array([s.mean[:size] for _, s, _ in found])
    mean = weights @ means
    wide = df / (df - 2)  # the variance of a t over its scale
    cov = sum(
        w * (s.cov[:size, :size] * scale2 * wide + np.outer(m - mean, m - mean))
        for w, (_, s, scale2), m in zip(weights, found, means, strict=True)
    )
    parts = tuple(
        (float(w), Solved(s.mean[:size], s.cov[:size, :size], s.quad, s.log_det), scale2)
        for w, (_, s, scale2) in zip(weights, found, strict=True)
    )
    noise = math.sqrt(sum(float(w) * scale2 for w, (_, _, scale2) in zip(weights, found, strict=True)))
    return Map(basis, level, mean, np.asarray(cov), parts, df, noise, unit, n)
