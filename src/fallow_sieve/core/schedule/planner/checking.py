"""A plan looked over by other means than those that found it: lengths, gaps, hands, mixers, ovens; and its cost."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import combinations

import numpy as np

from fallow_sieve.core.schedule.planner.ovens_stated import occupied_min
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Problem, Task, Timed, setup_min, share

Span = tuple[float, float]
_SLACK = CELL_MIN + 1e-6


def visit_spans(task: Task, timed: Timed) -> tuple[Span, ...]:
    """Return the spans (minutes) in which a task wants hands, as long as they last."""
    spans = []
    if task.hands_start > 0:
        spans.append((timed.begin, timed.begin + task.hands_start))
    if task.hands_end > 0:
        spans.append((timed.end - task.hands_end, timed.end))
    return tuple(spans)


def hands_of(task: Task, timed: Timed) -> tuple[Span, ...]:
    """Return the spans (minutes) in which a task wants hands, on the grid."""
    on_grid = replace(task, hands_start=_whole(task.hands_start), hands_end=_whole(task.hands_end))
    return visit_spans(on_grid, timed)


def _whole(minutes: float) -> float:
    return CELL_MIN * math.ceil(minutes / CELL_MIN - 1e-9)


def broken(problem: Problem, times: Sequence[Timed]) -> tuple[str, ...]:
    """Return what a plan breaks, as sentences; nothing where it keeps every rule to within a cell."""
    found = [*_lengths(problem, times), *_gaps(problem, times), *_ready(problem, times)]
    hands = [s for t, x in zip(problem.tasks, times, strict=True) for s in hands_of(t, x)]
    found += _crowd(hands, problem.crew.people, "hands", problem.cells)
    mixing = [(x.begin, x.end) for t, x in zip(problem.tasks, times, strict=True) if t.needs_mixer]
    if problem.crew.mixers:
        found += _crowd(mixing, problem.crew.mixers, "mixers", problem.cells)
    return (*found, *_ovens(problem, times))


def _lengths(problem: Problem, times: Sequence[Timed]) -> Iterator[str]:
    for task, timed in zip(problem.tasks, times, strict=True):
        cell = int(timed.begin // CELL_MIN)
        low, high = (float(x[min(cell, len(x) - 1)]) for x in (task.lengths.low, task.lengths.high))
        if not low - _SLACK <= timed.end - timed.begin <= high + _SLACK:
            yield f"{task.step} of {task.product} takes {timed.end - timed.begin:.0f} min, not {low:.0f} to {high:.0f}"
        if not task.not_before - 1e-6 <= timed.begin <= task.not_after + 1e-6:
            yield f"{task.step} of {task.product} begins outside its bounds"


def _gaps(problem: Problem, times: Sequence[Timed]) -> Iterator[str]:
    for x in problem.links:
        gap = times[x.after].begin - times[x.before].end
        if not x.lag_low - 1e-6 <= gap <= x.lag_high + 1e-6:
            yield f"{problem.tasks[x.after].step} begins {gap:.0f} min after {problem.tasks[x.before].step}"


def _ready(problem: Problem, times: Sequence[Timed]) -> Iterator[str]:
    for w in problem.wanted:
        if w.ready is not None and not w.ready - w.may_wait - 1e-6 <= times[w.task].end <= w.ready + 1e-6:
            yield f"{w.product} is ready at minute {times[w.task].end:.0f}, wanted at {w.ready:.0f}"


def _crowd(spans: Sequence[Span], most: int, what: str, cells: int) -> Iterator[str]:
    count = np.zeros(cells + 1, dtype=int)
    for begin, end in spans:
        count[round(begin / CELL_MIN) : round(end / CELL_MIN)] += 1
    if count.max(initial=0) > most:
        yield f"{count.max()} {what} at minute {CELL_MIN * int(count.argmax())}, and there are {most}"


def _ovens(problem: Problem, times: Sequence[Timed]) -> Iterator[str]:
    bakes = [(t, x) for t, x in zip(problem.tasks, times, strict=True) if t.phases]
    for oven in problem.ovens:
        here = sorted((b for b in bakes if b[1].oven == oven.name), key=lambda b: b[1].begin)
        for (a, at), (b, bt) in combinations(here, 2):
            free_at = at.begin + occupied_min(a) + setup_min(problem, oven, a, b)
            if bt.begin < free_at - 1e-6 and not (share(a, b) and oven.levels > 1):
                yield f"{a.product} and {b.product} clash in {oven.name}"


def bother_of(problem: Problem, times: Sequence[Timed]) -> float:
    """Return what a plan costs, in minutes of bother, counted from its times alone."""
    crew, total = problem.crew, 0.0
    for task, timed in zip(problem.tasks, times, strict=True):
        cell = int(timed.begin // CELL_MIN)
        typical = float(task.lengths.typical[min(cell, len(task.lengths.typical) - 1)])
        off = timed.end - timed.begin - CELL_MIN * round(typical / CELL_MIN)
        total += task.late_cost * max(0.0, off) + task.early_cost * max(0.0, -off)
        if task.announced is not None:
            total += problem.bother.moved_min * abs(timed.begin - task.announced)
        for begin, end in hands_of(task, timed):
            cells = np.arange(round(begin / CELL_MIN), round(end / CELL_MIN))
            total += CELL_MIN * float(crew.minute_cost[cells].sum())
            total += problem.bother.asleep_visit * bool(crew.asleep[cells].any())
    for w in problem.wanted:
        if w.ready is not None:
            total += problem.bother.early_min * max(0.0, w.ready - times[w.task].end)
    return total
