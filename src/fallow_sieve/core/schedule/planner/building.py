"""From a problem to its statement on a grid: lengths, gaps, hands, mixers, ovens, and what each thing costs."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.schedule.planner.grid import Ends, Grid, begin_of, end_of
from fallow_sieve.core.schedule.planner.ovens_stated import Places, state_ovens
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Problem, Task, Timed
from fallow_sieve.core.schedule.planner.statement import Statement
from fallow_sieve.core.schedule.planner.windows import Windows


@dataclass(frozen=True, slots=True)
class Stated:
    """A problem as a program, and how to read its answer."""

    problem: Problem
    statement: Statement
    places: Places

    def times(self, values: Array) -> tuple[Timed, ...]:
        """Return when each task begins and ends (minutes), and in which oven, in a solution."""
        width = self.statement.grid.width
        found = []
        for n, task in enumerate(self.problem.tasks):
            begin, end = (self.statement.cell(e, values) * width for e in (begin_of(n), end_of(n)))
            oven = self.problem.ovens[self.places.oven_of(n, values)].name if task.phases else None
            found.append(Timed(begin, end, oven))
        return tuple(found)


def state(problem: Problem, grid: Grid, bounds: Windows) -> Stated:
    """Return `problem` as a program on `grid`, within `bounds`."""
    statement = Statement(grid, bounds)
    _bind(problem, grid, statement)
    statement.begin(2 * len(problem.tasks))
    for n, (task, ends) in enumerate(zip(problem.tasks, grid.ends, strict=True)):
        statement.ends_between(begin_of(n), end_of(n), ends)
        _off_typical(statement, n, task, ends)
        _moved(problem, statement, n, task)
    for gap in grid.gaps:
        statement.gap(gap.before, gap.after, gap.low, gap.high)
    _hands(problem, statement)
    _wanted(problem, statement)
    return Stated(problem, statement, state_ovens(problem, statement))


def _bind(problem: Problem, grid: Grid, statement: Statement) -> None:
    """One event for what lies a fixed time apart."""
    for n, (task, ends) in enumerate(zip(problem.tasks, grid.ends, strict=True)):
        if len(task.lengths.low) == 1 and ends.low[0] == ends.high[0]:
            statement.bind(end_of(n), begin_of(n), int(ends.low[0]))
    for gap in grid.gaps:
        if gap.low == gap.high:
            statement.bind(gap.after, gap.before, gap.low)


def _off_typical(statement: Statement, n: int, task: Task, ends: Ends) -> None:
    """What each cell under or over the typical length costs."""
    b, e = begin_of(n), end_of(n)
    first, last = statement.windows.first, statement.windows.last
    usual = ends.typical[first[b]], ends.typical[last[b]]
    cells = np.arange(min(first[e], usual[0]), max(last[e], usual[1]) + 1)
    begun = np.searchsorted(ends.typical, cells, side="right") - 1
    left, right = statement.z(e, cells), statement.z(b, begun)
    width = statement.grid.width
    statement.off(left, right, task.early_cost * width)
    statement.off(right, left, task.late_cost * width)


def _moved(problem: Problem, statement: Statement, n: int, task: Task) -> None:
    if task.announced is not None:
        at = np.arange(statement.grid.cells + 1) * statement.grid.width
        statement.costs_at(begin_of(n), problem.bother.moved_min * np.abs(at - task.announced))


def _hands(problem: Problem, statement: Statement) -> None:
    """Hands and mixers cover their cells; what hands cost by the hour of the day; hours that are blocked."""
    width, spans, mixing = statement.grid.width, [], []
    for n, task in enumerate(problem.tasks):
        for event, minutes, sign in ((begin_of(n), task.hands_start, 1), (end_of(n), task.hands_end, -1)):
            if minutes > 0:
                length = _hand_cells(minutes, width)
                spans.append((event, *((0, length) if sign > 0 else (-length, 0))))
                _hand_costs(problem, statement, event, math.ceil(minutes / CELL_MIN - 1e-9) * CELL_MIN, sign)
        if task.heated_before:
            _heat_costs(problem, statement, n, task)
        if task.needs_mixer:
            mixing.append((begin_of(n), 0, int(statement.grid.ends[n].typical[0])))
    statement.cover(spans, problem.crew.people)
    if problem.crew.mixers > 0:
        statement.cover(mixing, problem.crew.mixers)


def _hand_cells(minutes: float, width: int) -> int:
    """Whole cells on the fine grid; rounded down on the coarse one, where short visits may share a cell."""
    return math.ceil(minutes / width - 1e-9) if width == CELL_MIN else math.floor(minutes / width + 1e-9)


def _hand_costs(problem: Problem, statement: Statement, event: int, minutes: float, sign: int) -> None:
    """Charge hands of `minutes` from `event` (sign 1) or to it (−1), by the cost of each fine cell they cover."""
    crew, width = problem.crew, statement.grid.width
    at = np.arange(statement.grid.cells + 1) * (width // CELL_MIN)
    begin = at if sign > 0 else at - round(minutes / CELL_MIN)
    covered = begin[:, None] + np.arange(round(minutes / CELL_MIN))[None, :]
    inside = np.clip(covered, 0, len(crew.minute_cost) - 1)
    per_cell = crew.minute_cost[inside] * CELL_MIN
    blocked = np.isinf(per_cell).any(axis=1)
    visit = np.where(crew.asleep[inside].any(axis=1), problem.bother.asleep_visit, 0.0)
    statement.costs_at(event, np.where(np.isinf(per_cell), 0.0, per_cell).sum(axis=1) + visit)
    _never(statement, event, blocked)


def _never(statement: Statement, event: int, blocked: np.ndarray) -> None:
    cells = np.flatnonzero(blocked)
    statement.at_most(statement.z(event, cells), statement.z(event, cells - 1))


def _heat_costs(problem: Problem, statement: Statement, n: int, task: Task) -> None:
    """Somebody must be up to switch the oven on: a visit asleep where the warm-up begins at night."""
    warm = max(
        (o.pace * o.kind.warm_up_min(problem.room_c, task.phases[0].oven_c) for o in problem.ovens if o.kind.heats),
        default=0.0,
    )
    crew, width = problem.crew, statement.grid.width
    at = np.arange(statement.grid.cells + 1) * (width // CELL_MIN) - math.ceil(warm / CELL_MIN)
    inside = np.clip(at, 0, len(crew.asleep) - 1)
    asleep = np.logical_and(crew.asleep[inside], at >= 0)
    statement.costs_at(begin_of(n), problem.bother.asleep_visit * asleep.astype(float))
    _never(statement, begin_of(n), np.logical_and(np.isinf(crew.minute_cost[inside]), at >= 0))


def _wanted(problem: Problem, statement: Statement) -> None:
    at = np.arange(statement.grid.cells + 1) * statement.grid.width
    for w in problem.wanted:
        late = problem.bother.later_min * np.abs(at - w.near)
        cost = late if w.ready is None else problem.bother.early_min * np.maximum(0.0, w.ready - at)
        statement.costs_at(end_of(w.task), cost)
