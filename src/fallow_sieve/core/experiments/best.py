"""The best point with its interval, the gain on today's blend, and where the best may lie."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.experiments.maps import Z95, Map
from fallow_sieve.core.experiments.regions import Array

HELD_IN, SURE = 0.90, 0.95
_BANDWIDTH = 0.045  # of a region's own width: how far a best point is smeared


@dataclass(frozen=True, slots=True)
class Best:
    """A point (shares 0–1) with mean, standard error and interval (response unit)."""

    x: tuple[float, ...]
    mean: float
    se: float

    @property
    def low(self) -> float:
        """The lower end, that 9 times in 10 is not undercut."""
        return self.mean - Z95 * self.se

    @property
    def high(self) -> float:
        """The upper end, that 9 times in 10 is not passed."""
        return self.mean + Z95 * self.se


@dataclass(frozen=True, slots=True)
class Gain:
    """What the best is over today's blend (response unit), how surely it is better (0–1), and in words."""

    more: float
    low: float
    high: float
    sure: float
    say: str


def best_of(known: Map, grid: Array) -> Best:
    """Return the point of the grid with the highest mean."""
    mean, se = known.at(grid)
    at = int(mean.argmax())
    return Best(tuple(float(v) for v in grid[at]), float(mean[at]), float(se[at]))


def point_of(known: Map, x: Array) -> Best:
    """Return any point (shares 0–1) as the map has it."""
    mean, se = known.at(np.asarray(x))
    return Best(tuple(float(v) for v in np.asarray(x)), float(mean[0]), float(se[0]))


def gain_on(known: Map, best: Best, today: Array) -> Gain:
    """Return what the best is over today's blend (shares 0–1), from how both move together."""
    columns = known.basis.at(np.vstack([np.array(best.x), today]))
    apart = columns[0] - columns[1]
    more = float(apart @ known.mean)
    half = Z95 * float(np.sqrt(max(0.0, apart @ known.cov @ apart)))
    drawn = apart @ known.coefficients()
    sure = float((drawn > 0).mean()) if half else 0.0
    word = "better" if sure >= SURE and more > half else "may be better, not yet shown"
    if not half:
        word = "today's blend is the best there is on the map"
    say = f"{more:.1f} more ({more - half:.1f} to {more + half:.1f}): {word}".replace("-", "−")
    return Gain(more, more - half, more + half, sure, say)


@dataclass(frozen=True, slots=True)
class BestLies:
    """Where the best may lie: how densely best points of draws lie (no unit), and from where on it counts."""

    density: Array
    threshold: float


def best_lies(known: Map, grid: Array, at: Array) -> BestLies:
    """Return the smallest smoothed region that holds the best point in 9 draws of 10, as a density at points `at`.

    Points are rows of shares 0–1; draws are made over `grid`.
    """
    counts = np.bincount(known.draws(grid).argmax(axis=0), minlength=len(grid)).astype(float)
    spots = np.flatnonzero(counts)
    width = _BANDWIDTH * float(max(np.ptp(grid, axis=0).max(), 1e-9))

    def density(points: Array) -> Array:
        far = ((points[:, None, :] - grid[None, spots, :]) ** 2).sum(axis=2)
        found: Array = np.exp(-far / (2 * width**2)) @ counts[spots]
        return found

    # What is smeared over an edge counts to the point it came from: the share that is held is that of draws.
    own = density(grid[spots])
    order = np.argsort(-own)
    held = np.cumsum(counts[spots][order])
    last = int(np.searchsorted(held, HELD_IN * counts.sum()))
    return BestLies(density(at), float(own[order[min(last, len(order) - 1)]]))


def may_be_best(known: Map, grid: Array) -> NDArray[np.bool_]:
    """Return which points of the grid (shares 0–1) make up the region that holds the best in 9 draws of 10."""
    found = best_lies(known, grid, grid)
    return np.asarray(found.density >= found.threshold - 1e-12, dtype=np.bool_)
