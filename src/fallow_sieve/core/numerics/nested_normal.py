"""What observations teach about a level and those above it: a nested normal model, solved exactly.

Each level has a deviation from the one above, normal with mean 0; an observation is the sum of the deviations down its
branch, with a noise of its own. The deeper level takes over what the others taught, less sure of itself.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

Branch = tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Level:
    """What is known of one level: mean and sd of the deviations down to it, and the observations on its branch."""

    mean: float
    sd: float
    count: int


def learn_levels(
    seen: Sequence[tuple[Branch, float]],
    target: Branch,
    level_sds: Sequence[float],
    noise_sd: float | Sequence[float],
) -> tuple[Level, ...]:
    """Return what `seen` (a branch and a value each) teaches at each depth of `target`, the top first.

    A branch names its levels under the top, so that it has one entry fewer than `level_sds`. `noise_sd` is that of
    every observation, or one for each.
    """
    noise = [noise_sd] * len(seen) if isinstance(noise_sd, float | int) else noise_sd
    groups: dict[Branch, list[tuple[float, float]]] = {}
    for (branch, value), sd in zip(seen, noise, strict=True):
        groups.setdefault(branch, []).append((value, 1 / sd**2))
    keys = list(groups)
    # Observations of one branch count as one: their mean by precision, with all their precision.
    precisions = np.array([sum(w for _, w in groups[k]) for k in keys])
    means = np.array([sum(v * w for v, w in groups[k]) for k in keys]) / precisions if keys else precisions
    variances = [sd**2 for sd in level_sds]
    shared = np.array([[_shared(a, b, variances) for b in keys] for a in keys]).reshape(len(keys), len(keys))
    noisy = shared + np.diag(1 / precisions)
    found = []
    for depth in range(1, len(variances) + 1):
        cross = np.array([_shared(target, k, variances[:depth]) for k in keys])
        weights = np.linalg.solve(noisy, cross) if keys else cross
        variance = sum(variances[:depth]) - float(weights @ cross)
        here = sum(len(v) for k, v in groups.items() if k[: depth - 1] == target[: depth - 1])
        found.append(Level(float(weights @ means), math.sqrt(max(0.0, variance)), here))
    return tuple(found)


def _shared(a: Branch, b: Branch, variances: Sequence[float]) -> float:
    """The prior covariance of two branches: the levels that they have in common from the top on."""
    common = 1
    for x, y in zip(a, b, strict=True):
        if x != y:
            break
        common += 1
    return sum(variances[:common])
