"""Several responses joined: how good each is, 0–1, as a weighted geometric mean over draws of all their maps."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.experiments.maps import DRAWS, SEED, Map
from fallow_sieve.core.experiments.regions import Array
from fallow_sieve.core.values import AT_WALL

WORST = 0.02
MOST_ON_LINE = 25


@dataclass(frozen=True, slots=True)
class Wish:
    """What is wished of a response, in its unit: at least so much, at best so much; and how much it counts."""

    at_least: float
    at_best: float
    weight: float = 1.0

    def met(self, values: Array) -> Array:
        """Return how well values (in the response's unit) meet it: 1 at best, 0.15 at the least, 0.02 far under.

        What lies beyond the best is as good as it; where the best is the lower end, less is better.
        """
        share = (values - self.at_least) / ((self.at_best - self.at_least) or 1e-9)
        found: Array = np.clip(AT_WALL + (1 - AT_WALL) * share, WORST, 1.0)
        return found


@dataclass(frozen=True, slots=True)
class Joined:
    """The point (shares 0–1) that meets all wishes best: mean of D over the draws with its interval, no unit.

    `line` are points between the first two responses, none of which is better in both: shares and both means.
    """

    x: tuple[float, ...]
    mean: float
    low: float
    high: float
    line: tuple[tuple[tuple[float, ...], float, float], ...]


def join(maps: Sequence[Map], wishes: Sequence[Wish], grid: Array) -> Joined:
    """Return the best of several responses over a grid (rows of shares 0–1), a map and a wish each, by draws."""
    total = sum(w.weight for w in wishes)
    logs = sum(
        w.weight / total * np.log(w.met(m.draws(grid, DRAWS, SEED + n)))
        for n, (m, w) in enumerate(zip(maps, wishes, strict=True))
    )
    d = np.exp(np.asarray(logs))
    at = int(d.mean(axis=1).argmax())
    low, high = np.quantile(d[at], [0.025, 0.975])
    line = _line(maps, wishes, grid) if len(maps) > 1 else ()
    return Joined(tuple(float(v) for v in grid[at]), float(d[at].mean()), float(low), float(high), line)


def _line(
    maps: Sequence[Map], wishes: Sequence[Wish], grid: Array
) -> tuple[tuple[tuple[float, ...], float, float], ...]:
    """Points of which none other is better in both of the first two responses, along the first."""
    a, b = (m.at(grid)[0] for m in maps[:2])
    up, over = (np.sign(w.at_best - w.at_least) * v for w, v in zip(wishes[:2], (a, b), strict=True))
    order = np.lexsort((-over, -up))
    kept, best = [], -np.inf
    for i in order:
        if over[i] > best:
            kept.append(int(i))
            best = float(over[i])
    step = max(1, len(kept) // MOST_ON_LINE)
    chosen = sorted({*kept[::step], kept[-1]}, key=kept.index)
    return tuple((tuple(float(v) for v in grid[i]), float(a[i]), float(b[i])) for i in chosen)
