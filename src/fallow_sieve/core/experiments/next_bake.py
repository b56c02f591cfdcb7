"""Where the next bake would teach most: the knowledge gradient, exact by the upper envelope of lines.

Frazier, Powell & Dayanik (2009): E[max of the next mean] − max of this one, over the chance of what the bake will say;
with noise, plain expected improvement chases lucky bakes.
"""

from __future__ import annotations

import numpy as np

from fallow_sieve.core.experiments.maps import Map
from fallow_sieve.core.experiments.regions import Array
from fallow_sieve.core.numerics import distributions as stats

_FAR = 40.0  # sds beyond which nothing of the normal is left


def gain_of_lines(means: Array, shifts: Array) -> float:
    """Return E[max(a + b Z)] − max a for lines a + b Z with Z standard normal, in the unit of `means`.

    >>> round(gain_of_lines(np.array([0.0, 0.0]), np.array([0.0, 1.0])), 6)
    0.398942
    """
    lines, crossings = _envelope(np.asarray(means, float), np.asarray(shifts, float))
    steps = np.diff(np.asarray(shifts)[lines])
    z = -np.minimum(np.abs(crossings), _FAR)
    return float((steps * (stats.norm.pdf(z) + z * stats.norm.cdf(z))).sum())


def _envelope(means: Array, shifts: Array) -> tuple[list[int], Array]:
    """The lines that are the highest somewhere, by rising slope, and where each gives way to the next."""
    order = np.lexsort((means, shifts))
    kept: list[int] = []
    crossings: list[float] = []
    for i in order.tolist():
        if kept and shifts[kept[-1]] == shifts[i]:
            kept.pop()
            if crossings:
                crossings.pop()
        while kept:
            # All but parallel lines cross out of reach: plain numbers, for which that is no warning.
            at = float(means[kept[-1]] - means[i]) / float(shifts[i] - shifts[kept[-1]])
            if crossings and at <= crossings[-1]:
                kept.pop()
                crossings.pop()
                continue
            crossings.append(at)
            break
        kept.append(i)
    return kept, np.array(crossings)


def gains(known: Map, grid: Array, points: Array, cov: Array | None = None) -> Array:
    """Return the knowledge gradient (response unit) of a bake at each of `points`, over the blends of `grid`."""
    columns, tried = known.basis.at(grid), known.basis.at(points)
    spread = known.cov if cov is None else cov
    means = columns @ known.mean
    shared = columns @ spread @ tried.T
    own = np.einsum("ij,jk,ik->i", tried, spread, tried)
    shifts = shared / np.sqrt(own + known.noise**2)
    return np.array([gain_of_lines(means, shifts[:, j]) for j in range(len(points))])


def next_bakes(known: Map, grid: Array, points: Array, count: int = 1) -> list[tuple[int, float]]:
    """Return up to `count` next bakes as places in `points` with their gains (response unit), the best first.

    Each is chosen as if those before it had come out at their mean: what they would say shrinks what is unsure.
    """
    cov, found = known.cov, []
    for _ in range(count):
        gain = gains(known, grid, points, cov)
        best = int(gain.argmax())
        found.append((best, float(gain[best])))
        cov = _after(known, points[best], cov)
    return found


def _after(known: Map, point: Array, cov: Array) -> Array:
    column = known.basis.at(point)[0]
    shared = cov @ column
    return cov - np.outer(shared, shared) / (float(column @ shared) + known.noise**2)
