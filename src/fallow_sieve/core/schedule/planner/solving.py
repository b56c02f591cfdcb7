"""Finding the times: first on a grid of a quarter of an hour, then on one of five minutes round that answer."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.numerics.programs import UNLIMITED, Effort, Outcome
from fallow_sieve.core.numerics.solver import solve
from fallow_sieve.core.schedule.planner.building import state
from fallow_sieve.core.schedule.planner.grid import laid_on_grid
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Problem, Timed
from fallow_sieve.core.schedule.planner.windows import windows

COARSE_MIN = 15
REACHES_MIN = (60.0, 120.0, math.inf)


class Found(StrEnum):
    """How a search for times ended."""

    OPTIMAL = "optimal"
    STOPPED = "stopped"
    TOO_LONG = "too long"
    CLASH = "clash"
    NOTHING = "nothing"


@dataclass(frozen=True, slots=True)
class Times:
    """Times of every task (minutes), what they cost, the gap; `too_long` names a product whose steps do not fit."""

    found: Found
    times: tuple[Timed, ...] = ()
    bother: float = math.inf
    gap: float = math.inf
    too_long: str | None = None

    @property
    def is_usable(self) -> bool:
        """Whether there are times at all."""
        return bool(self.times)


def find_times(
    problem: Problem, effort: Effort = UNLIMITED, coarse_found: Callable[[Times], None] = lambda times: None
) -> Times:
    """Return the times that cost least, or why there are none; `coarse_found` is told of the coarse answer first."""
    coarse = _on_grid(problem, COARSE_MIN, effort)
    if coarse.found is Found.TOO_LONG:
        return coarse
    if coarse.is_usable:
        coarse_found(coarse)
    for reach in REACHES_MIN if coarse.is_usable else REACHES_MIN[-1:]:
        fine = _on_grid(problem, CELL_MIN, effort, coarse.times if math.isfinite(reach) else (), reach)
        if fine.is_usable or effort.is_spent:
            return fine
    return fine


def near_times(problem: Problem, around: Sequence[Timed], reach_min: float, effort: Effort = UNLIMITED) -> Times:
    """Return the best times at most `reach_min` minutes from those of `around`, wider where there are none."""
    for reach in (reach_min, 2 * reach_min):
        found = _on_grid(problem, CELL_MIN, effort, around, reach)
        if found.is_usable:
            return found
    return find_times(problem, effort)


def _on_grid(
    problem: Problem, width: int, effort: Effort, near: Sequence[Timed] = (), reach_min: float = math.inf
) -> Times:
    grid = laid_on_grid(problem, width)
    bounds = windows(problem, grid, near, reach_min)
    if bounds.too_long is not None:
        return Times(Found.TOO_LONG, too_long=bounds.too_long)
    stated = state(problem, grid, bounds)
    # Presolve finds next to nothing in a nearly integral program, and costs thirty times the search itself.
    answer = solve(stated.statement.program, stated.statement.costs(), effort, presolve=False)
    if not answer.is_usable:
        return Times(Found.CLASH if answer.found is Outcome.INFEASIBLE else Found.NOTHING)
    found = Found.OPTIMAL if answer.found is Outcome.OPTIMAL else Found.STOPPED
    return Times(found, stated.times(answer.values), answer.objective + stated.statement.constant, answer.gap)
