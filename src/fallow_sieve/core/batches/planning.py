"""How much of each part a batch needs, and how close each weighing has to come.

Need = bags × size / (1 − loss); each part takes its share, rounded to the scale's step by largest remainder, so that
the parts add up to the need.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass

from fallow_sieve.core.formulas import Dilution, Line, When, dilute, round_to_step
from fallow_sieve.core.values import BadInputError

USUAL_LOSS_PCT = 1.0
TOLERANCE_PCT = 1.0
TOLERANCE_OF_SMALL_PCT = 2.0
SMALL_SHARE_PCT = 5.0
STEPS_TO_SEE = 20
ROOM_OF_SCALE = 0.95
MOST_BATCH_G = 1e6


@dataclass(frozen=True, slots=True)
class Wanted:
    """What is to be made: bags of `bag_g` g, or `total_g` g in all (None: by the bags), and the loss on the way, %."""

    bags: int = 1
    bag_g: float = 500.0
    total_g: float | None = None
    loss_pct: float = USUAL_LOSS_PCT

    @property
    def filled_g(self) -> float:
        """What lands in bags, g."""
        return self.bags * self.bag_g if self.total_g is None else self.total_g


@dataclass(frozen=True, slots=True)
class BatchNeed:
    """What goes into a batch: `need_g` g before rounding, and the targets (g) by ingredient, which add up to it."""

    need_g: float
    targets_g: Mapping[str, float]

    @property
    def sum_g(self) -> float:
        """The sum of the targets, g."""
        return sum(self.targets_g.values())


@dataclass(frozen=True, slots=True)
class Band:
    """A target (g) with how far a weighing may be off, g, and whether the scale's step is too coarse to see it."""

    target_g: float
    tolerance_g: float
    too_coarse: bool

    @property
    def low_g(self) -> float:
        """The least that passes, g."""
        return max(0.0, self.target_g - self.tolerance_g)

    @property
    def high_g(self) -> float:
        """The most that passes, g."""
        return self.target_g + self.tolerance_g


def needed(parts_g: Mapping[str, float], wanted: Wanted, step_g: float = 1.0) -> BatchNeed:
    """Return the targets of a batch of the blend `parts_g` (g by ingredient) on a scale of `step_g` g.

    A part of under ten steps keeps its exact mass: it wants a finer scale or a dilution. Raises BadInputError.

    >>> round(needed({"rice": 600.0, "starch": 400.0}, Wanted(12, 500.0)).need_g, 1)
    6060.6
    """
    total_g = sum(parts_g.values())
    if not parts_g or total_g <= 0:
        raise BadInputError("a blend without parts", place="/parts", right="choose a kept blend that has some")
    if not 0 <= wanted.loss_pct < 50:
        raise BadInputError(f"a loss of {wanted.loss_pct:g} %", place="/loss_pct", right="from 0 to under 50 %")
    need_g = wanted.filled_g / (1 - wanted.loss_pct / 100)
    if not (math.isfinite(need_g) and 0 < need_g <= MOST_BATCH_G):
        right = f"over 0 and at most {MOST_BATCH_G / 1000:g} kg"
        raise BadInputError(f"a batch of {need_g:g} g", place="/bags", right=right)
    lines = [Line(slug, need_g * g / total_g, When.DRY) for slug, g in parts_g.items()]
    rounded = round_to_step(lines, step_g).lines
    return BatchNeed(need_g, {x.ingredient: x.mass_g for x in rounded})


def band(target_g: float, step_g: float, pct: float) -> Band:
    """Return how close to `target_g` g a weighing has to come: `pct` % of it, and never under one step of the scale.

    >>> band(18, 0.1, 2.0).tolerance_g, band(18, 1.0, 2.0).too_coarse
    (0.36, True)
    """
    return Band(target_g, max(target_g * pct / 100, step_g), target_g < STEPS_TO_SEE * step_g - 1e-9)


def is_small(target_g: float, batch_g: float) -> bool:
    """Return whether a part of `target_g` g is a small one of its batch, under 5 %: it may be off by 2 % and not 1.

    Rule of thumb; a kitchen sets its own.
    """
    return target_g < batch_g * SMALL_SHARE_PCT / 100


def dilution_of(target_g: float, step_g: float) -> Dilution | None:
    """Return how a dose (g) that the scale cannot see is diluted with flour; None where it can see it."""
    found = dilute(target_g, step_g)
    return found if found.needed else None


def pours(target_g: float, capacity_g: float, container_g: float) -> int:
    """Return in how many pours `target_g` g fits a scale of `capacity_g` g under a container of `container_g` g.

    >>> pours(6400, 5000, 850)
    2
    """
    room_g = capacity_g * ROOM_OF_SCALE - container_g
    if room_g <= 0:
        right = f"a container under {capacity_g * ROOM_OF_SCALE:g} g"
        raise BadInputError(f"a container of {container_g:g} g", place="/container_g", right=right)
    return max(1, math.ceil(target_g / room_g - 1e-9))


def next_pour_g(target_g: float, poured_g: float, pours_left: int) -> float:
    """Return the target of the next pour, g: what is left over the pours that are left, so that errors do not add.

    >>> next_pour_g(6400, 3204, 1)
    3196.0
    """
    return float(max(0.0, target_g - poured_g) / max(1, pours_left))
