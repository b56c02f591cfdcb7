"""Between which cells each event may lie: bounds that every plan keeps, or what takes too long."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.schedule.planner.grid import Cells, Ends, Grid, begin_of, end_of
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Problem, Timed

_ROUNDS = 200


@dataclass(frozen=True, slots=True)
class Windows:
    """Earliest and latest cell of each event; `too_long` names the product whose steps do not fit, or is None."""

    first: tuple[int, ...]
    last: tuple[int, ...]
    too_long: str | None = None


def windows(problem: Problem, grid: Grid, near: Sequence[Timed] = (), reach_min: float = math.inf) -> Windows:
    """Return the windows of all events; around a plan that is known (`near`) at most `reach_min` minutes off it."""
    fine = grid.width == CELL_MIN  # on a coarser grid all bounds are rounded outwards
    first = [0] * (2 * len(problem.tasks))
    last = [grid.cells] * len(first)
    for n, task in enumerate(problem.tasks):
        first[2 * n] = max(0, grid.cell_of(task.not_before, up=fine))
        if math.isfinite(task.not_after):
            last[2 * n] = min(grid.cells, grid.cell_of(task.not_after, up=not fine))
        if near:
            for event, minute in ((2 * n, near[n].begin), (2 * n + 1, near[n].end)):
                first[event] = max(first[event], grid.cell_of(minute - reach_min))
                last[event] = min(last[event], grid.cell_of(minute + reach_min, up=True))
    for w in problem.wanted:
        if w.ready is not None:
            last[end_of(w.task)] = min(last[end_of(w.task)], grid.cell_of(w.ready, up=not fine))
            first[end_of(w.task)] = max(
                first[end_of(w.task)], grid.cell_of(w.ready - w.may_wait, up=grid.width == CELL_MIN)
            )
    return _narrowed(problem, grid, first, last)


def _narrowed(problem: Problem, grid: Grid, first: list[int], last: list[int]) -> Windows:
    for _ in range(_ROUNDS):
        before = (*first, *last)
        for n, ends in enumerate(grid.ends):
            _by_length(first, last, begin_of(n), end_of(n), ends)
        for gap in grid.gaps:
            _by_gap(first, last, gap.before, gap.after, gap.low, gap.high)
        crossed = next((e for e in range(len(first)) if first[e] > last[e]), None)
        if crossed is not None:
            return Windows(tuple(first), tuple(last), problem.tasks[crossed // 2].product)
        if (*first, *last) == before:
            break
    return Windows(tuple(first), tuple(last))


def _by_length(first: list[int], last: list[int], b: int, e: int, ends: Ends) -> None:
    top = len(ends.low) - 1
    first[e] = max(first[e], int(ends.low[min(first[b], top)]))
    last[e] = min(last[e], int(ends.high[min(last[b], top)]))
    first[b] = max(first[b], int(np.searchsorted(ends.high, first[e])))
    last[b] = min(last[b], last_where(ends.low, last[e]))


def _by_gap(first: list[int], last: list[int], a: int, b: int, low: int, high: int | None) -> None:
    first[b] = max(first[b], first[a] + low)
    last[a] = min(last[a], last[b] - low)
    if high is not None:
        first[a] = max(first[a], first[b] - high)
        last[b] = min(last[b], last[a] + high)


def last_where(ends: Cells, cell: int) -> int:
    """Return the last cell to begin in that ends by `cell`, −1 where there is none; `ends` never falls."""
    return int(np.searchsorted(ends, cell, side="right")) - 1
