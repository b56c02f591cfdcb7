"""The trade-off between two aims: a Pareto front by ε-constraint (Haimes, Lasdon & Wismer 1971).

The first aim is sought while the second is held at twelve levels between its own best and what the first leaves of
it. Each point is a blend of its own; a tiny part of the second aim keeps it from being beaten on that one.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.numerics.programs import UNLIMITED, Array, Effort, Terms
from fallow_sieve.core.optimise.aims import Objective, add_margin, margin, objective_of, without_data
from fallow_sieve.core.optimise.fit_model import Fitted, best_fit
from fallow_sieve.core.optimise.model import Model, solve_kept
from fallow_sieve.core.optimise.problem import Problem
from fallow_sieve.core.optimise.proposals import with_bars, with_floor
from fallow_sieve.core.optimise.slack import floor_below, slack_in_force
from fallow_sieve.core.optimise.wishes import Aim
from fallow_sieve.core.values import BadInputError

POINTS = 12
_TINY = 1e-5


@dataclass(frozen=True, slots=True)
class Point:
    """A blend on the front: shares (% of flour base) and the value of both aims, each in its unit."""

    shares: Array
    x: float
    y: float
    gap: float


def front(problem: Problem, x: Aim, y: Aim, effort: Effort = UNLIMITED, points: int = POINTS) -> Iterator[Point]:
    """Return one by one the points of the front between aims `x` and `y`, from the best of `x` to the best of `y`.

    Points that are the same blend come once. Raises BadInputError where an aim has no data or both are one.
    """
    if x is y:
        raise BadInputError(f"both aims are {x!s}", place="/y", right="choose two different aims")
    for aim, place in ((x, "/x"), (y, "/y")):
        if why := without_data(aim, problem):
            raise BadInputError(f"{aim!s} cannot be sought: {why}", place=place, right="choose another aim")
    mine = with_bars(with_bars(problem, x), y)
    first = best_fit(mine, effort)
    if not first.kept:
        return
    ends = [_sought(mine, first, x, y, None, effort), _sought(mine, first, y, x, None, effort)]
    if ends[0] is None or ends[1] is None:
        return
    yield ends[0]
    seen = [ends[0].shares]
    for level in np.linspace(ends[0].y, ends[1].x, points)[1:-1]:
        found = None if effort.is_spent else _sought(mine, first, x, y, float(level), effort)
        if found is not None and not any(np.array_equal(found.shares, s) for s in seen):
            seen.append(found.shares)
            yield found
    last = ends[1]
    if not any(np.array_equal(last.shares, s) for s in seen):
        yield Point(last.shares, last.y, last.x, last.gap)


def value_of(problem: Problem, aim: Aim, shares: Array) -> float:
    """Return the number that `aim` seeks, at `shares` (% of flour base), in the aim's unit."""
    objective = objective_of(aim, problem)
    return objective.value(shares) if objective else margin(problem, shares)


def _sought(problem: Problem, first: Fitted, aim: Aim, other: Aim, level: float | None, effort: Effort) -> Point | None:
    floor = floor_below(first.log_fit, slack_in_force(problem, first))
    model = with_floor(problem, floor, first.cuts)
    terms, second = _terms(model, aim), _terms(model, other)
    if level is not None:
        _hold(model, other, second, level)
    scale = max(1e-9, max(float(np.max(np.abs(c), initial=0.0)) for _, c in second))
    both: Terms = [*terms, *((at, _TINY / scale * np.asarray(c)) for at, c in second)]
    answer, shares = solve_kept(model, model.program.cost(both), effort)
    if not answer.is_usable:
        return None
    return Point(shares, value_of(problem, aim, shares), value_of(problem, other, shares), answer.gap)


def _terms(model: Model, aim: Aim) -> Terms:
    objective: Objective | None = objective_of(aim, model.problem)
    return objective.terms(model) if objective else [(add_margin(model), -1.0)]


def _hold(model: Model, aim: Aim, terms: Terms, level: float) -> None:
    """Hold an aim at least as good as `level`: its terms are minimised, so they may be at most that."""
    objective = objective_of(aim, model.problem)
    most = objective.sign * level - objective.a0 if objective else -level
    model.program.row(terms, high=most + 1e-9)
