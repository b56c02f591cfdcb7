"""What could be baked: corners, middles of edges and faces, the middle of all, half-way points; the map's grid."""

from __future__ import annotations

import itertools

import numpy as np

from fallow_sieve.core.experiments.regions import SAME, Array, Region, corners, edges, faces
from fallow_sieve.core.values import BadInputError

STEPS = {2: 0.01, 3: 0.01, 4: 0.02}
LEAST_POINTS, FINEST = 60, 1e-4
_ROUND = 1e-9


def centroid(region: Region) -> Array:
    """Return the middle of all corners, as shares (0–1)."""
    found: Array = corners(region).mean(axis=0)
    return found


def candidates(region: Region) -> Array:
    """Return the points from which bakes are chosen, as rows of shares (0–1), each once."""
    points, middle = corners(region), centroid(region)
    found = [*points]
    found += [(points[a] + points[b]) / 2 for a, b, _ in edges(region)]
    if region.size > 3:
        found += [points[list(face)].mean(axis=0) for face in faces(region)]
    found.append(middle)
    found += [(p + middle) / 2 for p in points]
    return _once(np.array(found))


def _once(points: Array) -> Array:
    kept: list[Array] = []
    for p in points:
        if not any(np.abs(p - k).max() < SAME for k in kept):
            kept.append(p)
    return np.array(kept)


def grid(region: Region, step: float | None = None) -> Array:
    """Return the points of the map inside the region, as rows of shares (0–1), a step apart, and its corners.

    Where a region is so small that few points lie in it, the step is halved until enough do.
    """
    at = step or STEPS[region.size]
    while True:
        found = _lattice(region, at)
        if len(found) >= LEAST_POINTS or at <= FINEST or step is not None:
            return _with_corners(found, corners(region))
        at /= 2


def _lattice(region: Region, step: float) -> Array:
    q = region.size
    reach = corners(region)
    axes = [
        np.arange(np.floor(reach[:, i].min() / step - _ROUND), np.ceil(reach[:, i].max() / step + _ROUND) + 1) * step
        for i in range(q - 1)
    ]
    first = np.stack(np.meshgrid(*axes, indexing="ij"), axis=-1).reshape(-1, q - 1)
    x = np.column_stack([first, 1 - first.sum(axis=1)])
    found: Array = x[region.holds(x)]
    return found


def _with_corners(points: Array, ends: Array) -> Array:
    far = [e for e in ends if not len(points) or np.abs(points - e).max(axis=1).min() > SAME]
    return np.vstack([points, *[np.array(far)] * bool(far)]) if far else points


def thinned(points: Array, most: int) -> Array:
    """Return at most about `most` of the points (a count), evenly taken, the last ones (corners) always."""
    if len(points) <= most:
        return points
    step = int(np.ceil(len(points) / most))
    return np.vstack([points[::step], points[-8:]])


def to_scale(region: Region, x: Array, total_g: float, step_g: float) -> Array:
    """Return shares (0–1) that can be weighed in steps of `step_g` g of `total_g` g, sum kept, nearest and inside.

    Raises BadInputError where no mix near can be weighed inside the region.
    """
    units = round(total_g / step_g)
    if units < 1:
        raise BadInputError(
            f"steps of {step_g:g} g of {total_g:g} g", place="/scale", right="a finer scale or more flour"
        )
    whole = np.floor(np.asarray(x) * units + _ROUND)
    nearby = itertools.product((-1, 0, 1, 2), repeat=len(x) - 1)
    tried = np.array([(*(whole[:-1] + d), 0.0) for d in nearby])
    tried[:, -1] = units - tried[:, :-1].sum(axis=1)
    shares = tried / units
    inside = shares[region.holds(shares, 1e-7)]
    if not len(inside):
        wrong = f"no mix near can be weighed in steps of {step_g:g} g"
        raise BadInputError(wrong, place="/scale", right="bake more at once, or widen the limits")
    nearest: Array = inside[np.abs(inside - x).sum(axis=1).argmin()]
    return nearest
