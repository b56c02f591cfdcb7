"""One learner for all (`learners.csv`): kitchen, use family and formula, each a level of a nested normal model.

A value learnt is in the learner's own scale: points, K, or the log of a ratio. The range of the *next* bake has the
spread from bake to bake in it: √(sd² + sd_bake²).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.numerics.nested_normal import learn_levels
from fallow_sieve.core.values import Z_95, counted

LEVELS = ("kitchen", "use", "formula")
_OF = {"formula": "of this formula", "use": "of this kind", "kitchen": "of this kitchen"}


@dataclass(frozen=True, slots=True)
class Learner:
    """How one quantity is learnt: its scale, prior sds of the levels it has, and the sd from bake to bake."""

    name: str
    scale: str
    level_sds: tuple[float, ...]
    bake_sd: float
    moves: str = ""

    @property
    def is_log(self) -> bool:
        """Whether it learns the log of a ratio."""
        return self.scale == "ln ratio"


@dataclass(frozen=True, slots=True)
class Observed:
    """What one bake showed, in the learner's scale, and whose it was."""

    value: float
    family: str
    formula: str


@dataclass(frozen=True, slots=True)
class Lesson:
    """What bakes taught of one quantity: mean and sd in the learner's scale, n bakes behind it, of which level.

    `next_sd` is that of the next single bake; `say` says it in words.
    """

    learner: str
    mean: float
    sd: float
    next_sd: float
    n: int
    level: str
    say: str


def learn(learner: Learner, seen: Sequence[Observed], family: str, formula: str) -> Lesson:
    """Return what `seen` teaches about the next bake of a formula; without any, the rule of thumb stands."""
    depth = len(learner.level_sds)
    branch = (family, formula)[: depth - 1]
    values = [((o.family, o.formula)[: depth - 1], o.value) for o in seen]
    levels = learn_levels(values, branch, learner.level_sds, learner.bake_sd)
    last = levels[-1]
    behind = next((n for n in range(depth - 1, -1, -1) if levels[n].count), None)
    next_sd = math.hypot(last.sd, learner.bake_sd)
    if behind is None:
        return Lesson(learner.name, 0.0, last.sd, next_sd, 0, "", "No bake has taught anything yet.")
    n = levels[behind].count
    return Lesson(learner.name, last.mean, last.sd, next_sd, n, LEVELS[behind], _words(learner, last.mean, n, behind))


def _words(learner: Learner, mean: float, n: int, behind: int) -> str:
    if learner.is_log:
        by = 100 * math.expm1(mean)
        way = f"{abs(by):.0f} % {'more' if by > 0 else 'less'}" if abs(by) >= 0.5 else "as the rule says"
    else:
        unit = "K" if learner.scale == "K" else "points"
        way = f"{abs(mean):.1f} {unit} {'more' if mean > 0 else 'less'}" if abs(mean) >= 0.05 else "as the rule says"
    return f"{counted(n, 'bake')} {_OF[LEVELS[behind]]}: {way}."


def applied(lesson: Lesson, learner: Learner, predicted: float) -> tuple[float, float, float]:
    """Return a prediction after what was learnt, and the 95 % range of the next bake, in the prediction's unit."""
    ends = (lesson.mean, lesson.mean - Z_95 * lesson.next_sd, lesson.mean + Z_95 * lesson.next_sd)
    value, low, high = (predicted * math.exp(x) if learner.is_log else predicted + x for x in ends)
    return value, low, high
