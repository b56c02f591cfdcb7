"""Bands that a map speaks for: the span of a metric over blends about as good as the best in half the draws.

Only ever proposed: narrower than the use's good band or shifted, from eight bakes on, never past a hard limit.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.experiments.maps import Map
from fallow_sieve.core.experiments.regions import Array
from fallow_sieve.core.values import Band

LEAST_BAKES, HALF = 8, 0.5
_HARDLY = 0.05  # of the good width: less of a change is not worth a word


@dataclass(frozen=True, slots=True)
class BandOfMap:
    """A metric with the good band that the map speaks for, in the metric's unit, and the present one."""

    metric: str
    low: float
    high: float
    present: Band


def about_as_good(known: Map, grid: Array, tau: float) -> Array:
    """Return the points of the grid (shares 0–1) within `tau` (response unit) of the best in half the draws."""
    drawn = known.draws(grid)
    near = (drawn >= drawn.max(axis=0) - tau).mean(axis=1)
    found: Array = grid[near >= min(HALF, float(near.max()))]
    return found


def bands_of_map(values: Mapping[str, Array], bands: Mapping[str, Band], bakes: int) -> list[BandOfMap]:
    """Return the bands that a map speaks for; `values` by metric over the blends about as good as the best.

    `bakes` is a count of those fitted; under eight nothing is proposed.
    """
    if bakes < LEAST_BAKES:
        return []
    found = [_proposed(m, v, bands[m]) for m, v in values.items() if m in bands and len(v)]
    return [b for b in found if b is not None]


def _proposed(metric: str, values: Array, present: Band) -> BandOfMap | None:
    low = float(np.clip(values.min(), present.hard_low, present.hard_high))
    high = float(np.clip(values.max(), present.hard_low, present.hard_high))
    width = present.good_high - present.good_low
    moved = (abs(low - present.good_low), abs(high - present.good_high))
    if not np.isfinite(width) or max(moved) < _HARDLY * width or (high - low) > width * (1 + _HARDLY):
        return None
    return BandOfMap(metric, low, high, present)
