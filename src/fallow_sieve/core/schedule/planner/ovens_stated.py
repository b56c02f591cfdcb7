"""Bakes that want an oven: which stands where, and which before which, with the change of heat between them."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.schedule.planner.grid import begin_of
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Oven, Problem, Task, may_take, setup_min, share
from fallow_sieve.core.schedule.planner.statement import ONE, Statement


@dataclass(frozen=True, slots=True)
class Places:
    """For each bake (by its task), the column that says it stands in an oven (by its number)."""

    columns: dict[tuple[int, int], int]

    def oven_of(self, task: int, values: Array) -> int:
        """Return in which oven a bake stands in a solution."""
        return max((o for t, o in self.columns if t == task), key=lambda o: values[self.columns[task, o]])


def state_ovens(problem: Problem, statement: Statement) -> Places:
    """Return the columns of where each bake stands, with the order of those that cannot share an oven stated."""
    bakes = [n for n, t in enumerate(problem.tasks) if t.phases]
    places = Places(_places(problem, bakes, statement))
    crowd = {n: sum(share(problem.tasks[n], problem.tasks[m]) for m in bakes) for n in bakes}
    for a, b in combinations(bakes, 2):
        order: int | None = None
        for o, oven in enumerate(problem.ovens):
            both = (a, o) in places.columns and (b, o) in places.columns
            free = share(problem.tasks[a], problem.tasks[b]) and max(crowd[a], crowd[b]) <= oven.levels
            if not both or free or _never_meet(problem, statement, oven, a, b):
                continue
            if order is None:
                order = statement.program.variables([0.0], [1.0], True).start
            _apart(problem, statement, oven, (a, b), order, [places.columns[a, o], places.columns[b, o]])
    return places


def _places(problem: Problem, bakes: Sequence[int], statement: Statement) -> dict[tuple[int, int], int]:
    found, used = {}, False
    for n in bakes:
        ovens = [o for o, oven in enumerate(problem.ovens) if may_take(oven, problem.tasks[n])]
        if not used and len(ovens) > 1 and _alike([problem.ovens[o] for o in ovens]):
            ovens = ovens[:1]  # the first bake may as well stand in the first of ovens that are alike
        used = True
        if len(ovens) == 1:
            found[n, ovens[0]] = ONE
            continue
        place = statement.program.variables([0.0] * len(ovens), [1.0] * len(ovens), True)
        columns = np.arange(place.start, place.stop)
        statement.program.block(columns[None, :], [1.0] * len(ovens), 1.0, 1.0)
        found.update({(n, o): int(c) for o, c in zip(ovens, columns, strict=True)})
    return found


def _alike(ovens: Sequence[Oven]) -> bool:
    return len({(o.kind, o.levels) for o in ovens}) == 1


def occupied_min(task: Task) -> float:
    """Return how long a bake holds its oven, minutes."""
    return sum(p.minutes for p in task.phases)


def _away(problem: Problem, statement: Statement, oven: Oven, before: int, after: int) -> int:
    """The cells from the beginning of one bake to the earliest beginning of the other, in one oven."""
    first, then = problem.tasks[before], problem.tasks[after]
    minutes = occupied_min(first) + setup_min(problem, oven, first, then)
    cells = minutes / statement.grid.width
    fine = statement.grid.width == CELL_MIN
    return math.ceil(cells - 1e-9) if fine else math.floor(cells + 1e-9)


def _never_meet(problem: Problem, statement: Statement, oven: Oven, a: int, b: int) -> bool:
    w = statement.windows
    a_first = w.first[begin_of(b)] >= w.last[begin_of(a)] + _away(problem, statement, oven, a, b)
    return a_first or w.first[begin_of(a)] >= w.last[begin_of(b)] + _away(problem, statement, oven, b, a)


def _apart(
    problem: Problem, statement: Statement, oven: Oven, pair: tuple[int, int], order: int, here: Sequence[int]
) -> None:
    """One of the pair before the other, by the column `order` (1: the first before), where both stand `here`."""
    a, b = pair
    placed = [c for c in here if c != ONE]
    for before, after, sign in ((a, b, 1.0), (b, a, -1.0)):
        away = _away(problem, statement, oven, before, after)
        first, last = (w[begin_of(after)] for w in (statement.windows.first, statement.windows.last))
        cells = np.arange(first, last + 1)
        left, right = statement.z(begin_of(after), cells), statement.z(begin_of(before), cells - away)
        rows = np.stack([left, right, *(np.full_like(left, c) for c in (order, *placed))], axis=1)
        keep = (right != ONE) & (left != 0)
        slack = (1.0 if sign > 0 else 0.0) + len(placed)
        statement.program.block(rows[keep], [1.0, -1.0, sign, *([1.0] * len(placed))], high=slack)
