"""What is to be planned: tasks with their lengths, what follows what, hands, mixers and ovens. All times in minutes.

Minute 0 is the beginning of the plan; lengths may depend on the minute at which a task begins.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field

import numpy as np

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.schedule.ovens import SHARED_K, OvenKind

CELL_MIN = 5  # times lie on this grid
A_LITTLE_COOLER_K = 25.0  # an oven that ends this far under a bake's °C still bakes it, a little longer


@dataclass(frozen=True, eq=False, slots=True)
class Lengths:
    """How long a task takes (minutes): at least, typically, at most; by the cell it begins in, or one for all."""

    low: Array
    typical: Array
    high: Array

    @property
    def is_fixed(self) -> bool:
        """Whether it takes the same time always."""
        return len(self.low) == 1 and bool(self.low[0] == self.high[0])


def lasting(low: float, typical: float, high: float) -> Lengths:
    """Return lengths (minutes) that do not depend on when a task begins."""
    return Lengths(np.array([low], float), np.array([typical], float), np.array([high], float))


@dataclass(frozen=True, slots=True)
class OvenPhase:
    """A part of a bake: minutes, and the oven's °C."""

    minutes: float
    oven_c: float


@dataclass(frozen=True, slots=True)
class Task:
    """One step of one product.

    `hands_start` and `hands_end` are minutes of hands from its beginning and to its end. `early_cost` and `late_cost`
    are what a minute under or over its typical length costs. A task with phases takes an oven for as long as they
    last (a machine where `in_machine`); `heated_before` says that somebody must be up to switch the oven on in time.
    `not_before` and `not_after` bound its beginning; a pin has both the same. `oven` fixes in which oven it stands.
    """

    product: str
    step: str
    lengths: Lengths
    hands_start: float = 0.0
    hands_end: float = 0.0
    needs_mixer: bool = False
    early_cost: float = 0.0
    late_cost: float = 0.0
    phases: tuple[OvenPhase, ...] = ()
    in_machine: bool = False
    heated_before: bool = False
    oven: str | None = None
    not_before: float = 0.0
    not_after: float = math.inf
    announced: float | None = None


@dataclass(frozen=True, slots=True)
class Link:
    """`after` begins at least `lag_low` and at most `lag_high` minutes after `before` has ended (their places)."""

    before: int
    after: int
    lag_low: float = 0.0
    lag_high: float = math.inf


@dataclass(frozen=True, slots=True)
class Wanted:
    """When a product is to be ready: `task` is its last; it may be ready `may_wait` minutes early.

    None: as soon as may be, or as `near` to a minute as may be.
    """

    product: str
    task: int
    ready: float | None
    may_wait: float
    near: float = 0.0


@dataclass(frozen=True, slots=True)
class Oven:
    """An oven of the kitchen: its name, kind, how many bakes stand in it at once, a factor on its minutes to heat."""

    name: str
    kind: OvenKind
    levels: int
    pace: float = 1.0


@dataclass(frozen=True, slots=True)
class Bother:
    """What things cost, in minutes of bother; all of it may be changed.

    A visit while asleep and its minutes, a minute at the edges of the day, a minute ready early, off typical, moved
    from what was announced, and later than as soon as possible.
    """

    asleep_visit: float = 60.0
    asleep_min: float = 10.0
    edge_min: float = 3.0
    early_min: float = 0.2
    off_min: float = 0.2
    unripe: float = 60.0
    moved_min: float = 0.5
    later_min: float = 1.0


@dataclass(frozen=True, eq=False, slots=True)
class Crew:
    """Hands and mixers, and what a minute of hands costs in each cell (inf: never); which cells are asleep."""

    people: int
    mixers: int
    minute_cost: Array
    asleep: Array


@dataclass(frozen=True, slots=True)
class Problem:
    """Everything of a plan; `cells` is how many cells of five minutes it looks ahead."""

    tasks: tuple[Task, ...]
    links: tuple[Link, ...]
    wanted: tuple[Wanted, ...]
    crew: Crew
    ovens: tuple[Oven, ...]
    room_c: float
    cells: int
    bother: Bother = field(default_factory=Bother)


def may_take(oven: Oven, task: Task) -> bool:
    """Return whether `task` may stand in `oven`: the kind fits, and it gets as hot as is wanted."""
    if task.oven is not None and task.oven != oven.name:
        return False
    if task.in_machine or not oven.kind.heats:
        return task.in_machine and not oven.kind.heats
    return all(p.oven_c <= oven.kind.max_c + A_LITTLE_COOLER_K for p in task.phases)


def setup_min(problem: Problem, oven: Oven, before: Task, after: Task) -> float:
    """Return the minutes between two bakes in one oven, from the last °C of one to the first of the other."""
    if before.in_machine:
        return 0.0
    return oven.pace * oven.kind.change_min(before.phases[-1].oven_c, after.phases[0].oven_c, problem.room_c)


def share(a: Task, b: Task) -> bool:
    """Return whether two bakes may stand in one oven at once: all their temperatures lie within 5 K."""
    temps = [p.oven_c for p in (*a.phases, *b.phases)]
    return not a.in_machine and max(temps) - min(temps) <= SHARED_K


@dataclass(frozen=True, slots=True)
class Timed:
    """When a task begins and ends (minutes), and in which oven."""

    begin: float
    end: float
    oven: str | None = None
