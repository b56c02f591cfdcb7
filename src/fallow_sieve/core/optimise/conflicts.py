"""Wishes that cannot hold together: the smallest sets of them, and the least that each would have to give.

An elastic filter (every limit may give, at a cost) gathers the limits that matter; a deletion filter then drops each
one that is not needed for the clash, so that what remains is irreducible (Chinneck & Dravnieks 1991, ORSA J. Comput.
3, 157–168).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from fallow_sieve.core.blends import METRICS
from fallow_sieve.core.numerics.programs import UNLIMITED, Array, Effort, Outcome, Terms
from fallow_sieve.core.numerics.solver import solve
from fallow_sieve.core.optimise.model import Model, state
from fallow_sieve.core.optimise.problem import Limit, Problem

MOST_CLASHES = 3
STEP = "step_pct"
_HAIR = 1e-7


@dataclass(frozen=True, slots=True)
class Give:
    """The least by which a limit would have to give, all others kept: signed, in `unit`; `to` is its new value."""

    limit: str
    side: str
    by: float
    to: float
    unit: str
    say: str


@dataclass(frozen=True, slots=True)
class Conflict:
    """Limits that cannot hold together, none of which can be left out of the set; a sentence; what each would give."""

    limits: tuple[Limit, ...]
    names: tuple[str, ...]
    say: str
    gives: tuple[Give, ...]


def conflicts_of(problem: Problem, effort: Effort = UNLIMITED) -> tuple[Conflict, ...]:
    """Return the clashes of `problem`, at most 3, or none where it can be met."""
    if _can(problem, (), effort):
        left: tuple[Limit, ...] = problem.limits
    else:
        return (Conflict((), (STEP,), f"No whole number of steps of {problem.wishes.step:g} % makes 100 %.", ()),)
    found: list[Conflict] = []
    while len(found) < MOST_CLASHES and not effort.is_spent and not _can(problem, left, effort):
        clash = _smallest(problem, left, effort)
        found.append(_told(problem, clash, effort))
        given_up = max(clash, key=_ease)
        left = tuple(x for x in left if x is not given_up)
    return tuple(found)


def _ease(limit: Limit) -> int:
    """What one would rather give up: a band before a price, a price before what must not be in the mix."""
    order = ("exclude", "diets", "lock", "gluten", "require", "stock", "max_bins", "price")
    return next((n for n, start in enumerate(order) if limit.name.startswith(start)), len(order))


def _can(problem: Problem, limits: Sequence[Limit], effort: Effort) -> bool:
    """Whether they can hold together; where the time ran out before that was known, nothing is called a clash."""
    model = state(replace(problem, limits=tuple(limits)))
    answer = solve(model.program, np.zeros(len(model.program.low)), effort)
    return answer.found is not Outcome.INFEASIBLE


def _smallest(problem: Problem, limits: Sequence[Limit], effort: Effort) -> tuple[Limit, ...]:
    gathered = _elastic(problem, limits, effort)
    ways = [_deleted(problem, order, effort) for order in (gathered, gathered[::-1])]
    return min(ways, key=len)


def _elastic(problem: Problem, limits: Sequence[Limit], effort: Effort) -> tuple[Limit, ...]:
    """Let every limit give at a cost; hold what gave, and again, until what is held cannot be met."""
    held: list[Limit] = []
    while True:
        free = [x for x in limits if x not in held]
        model = state(replace(problem, limits=tuple(held)), tight=False)
        slacks = [(x, loosened(model, x)[0]) for x in free]
        terms: Terms = [(at, 1.0) for _, at in slacks]
        answer = solve(model.program, model.program.cost(terms), effort)
        if answer.found is Outcome.INFEASIBLE:
            return tuple(x for x in limits if x in held)
        if not answer.is_usable:
            return tuple(limits)
        gave = [x for x, at in slacks if answer.values[at][0] > _HAIR]
        if not gave:
            return tuple(limits)
        held += gave


def loosened(model: Model, limit: Limit) -> tuple[slice, float]:
    """Return where stands what a limit gives, now that it is stated so that it may, and the size of its parts."""
    scale = _scale(limit)
    slack = model.program.variables([0.0], [math.inf])
    terms = [*model.over_shares(limit.a / scale), (model.z, limit.c / scale), (slack, 1.0)]
    model.program.row(terms, low=-limit.a0 / scale)
    return slack, scale


def _scale(limit: Limit) -> float:
    of_shares = 10.0 * float(np.max(np.abs(limit.a), initial=0.0))
    return max(of_shares, float(np.max(np.abs(limit.c), initial=0.0)), 1e-9)


def _deleted(problem: Problem, limits: Sequence[Limit], effort: Effort) -> tuple[Limit, ...]:
    kept = list(limits)
    for limit in limits:
        rest = [x for x in kept if x is not limit]
        if not effort.stopped() and not _can(problem, rest, effort):
            kept = rest
    return tuple(kept)


def _told(problem: Problem, clash: tuple[Limit, ...], effort: Effort) -> Conflict:
    gives = tuple(g for x in clash if (g := least_give(problem, x, effort)) is not None)
    names = list(dict.fromkeys(x.name for x in clash))
    if any(x.name.startswith("lock/") for x in clash) and _needs_no_step(problem, clash, effort):
        names.append(STEP)
    return Conflict(clash, tuple(names), _sentence(clash, gives, names), gives)


def _needs_no_step(problem: Problem, clash: tuple[Limit, ...], effort: Effort) -> bool:
    loose = replace(problem, wishes=replace(problem.wishes, step_pct=0.0, batch_g=None))
    return problem.wishes.step > 0 and _can(loose, clash, effort)


def _sentence(clash: Sequence[Limit], gives: Sequence[Give], names: Sequence[str]) -> str:
    wishes = list(dict.fromkeys(x.say for x in clash))
    if STEP in names:
        wishes.append("whole steps")
    listed = wishes[0] if len(wishes) == 1 else f"{', '.join(wishes[:-1])} and {wishes[-1]}"
    verb = "clash" if len(wishes) > 1 else "cannot be met"
    start = f"{listed[0].upper()}{listed[1:]} {verb}"
    return f"{start}: {'; or '.join(g.say for g in gives)}." if gives else f"{start}."


def least_give(problem: Problem, limit: Limit, effort: Effort = UNLIMITED) -> Give | None:
    """Return the least by which `limit` would have to give with all the others kept, or None if that does not help."""
    others = replace(problem, limits=tuple(x for x in problem.limits if x is not limit and not _twin(x, limit)))
    shares = _best_for(others, limit, effort)
    if shares is None or limit.side == "known":
        return None
    if limit.form is not None:
        to = limit.form.value(shares)
        by = to - limit.bound
    else:
        short = -(float(limit.a @ shares) + float(limit.c @ (shares > 0)) + limit.a0)
        by = limit.sign * short
        to = limit.bound + by
    if abs(by) <= _HAIR:
        return None
    return Give(limit.name, limit.side, by, to, limit.unit, _in_words(limit, by, to))


def _twin(a: Limit, b: Limit) -> bool:
    return a.name == b.name and b.name.startswith("lock/")


def _best_for(problem: Problem, limit: Limit, effort: Effort) -> Array | None:
    """The shares that come nearest to a limit; for a ratio by steps, each at the value that the last one reached."""
    at, shares = limit.bound, None
    for _ in range(8):
        model = state(problem)
        row = limit if limit.form is None else _at_value(limit, at)
        slack, _ = loosened(model, row)
        answer = solve(model.program, model.program.cost([(slack, 1.0)]), effort)
        if not answer.is_usable:
            return shares
        shares = model.shares(answer)
        if limit.form is None or not limit.form.is_ratio or abs(limit.form.value(shares) - at) < _HAIR:
            return shares
        at = limit.form.value(shares)
    return shares


def _at_value(limit: Limit, value: float) -> Limit:
    """The limit with another value for its bound."""
    assert limit.form is not None
    moved, sign = value - limit.bound, -limit.sign
    return replace(limit, a=limit.a - sign * moved * limit.form.b, a0=limit.a0 - sign * moved * limit.form.b0)


def _in_words(limit: Limit, by: float, to: float) -> str:
    if limit.form is not None:
        metric = METRICS[limit.form.metric]
        decimals = max(1, metric.decimals)
        word = "most" if limit.side == "low" else "least"
        return f"with the rest, {metric.label.lower()} is {to:.{decimals}f} {metric.unit} at {word}"
    if limit.name == "max_bins":
        return f"{to:.0f} bins would do"
    if limit.name == "price_cap_per_kg":
        return f"{to:.2f} per kg would do"
    if limit.name.startswith(("exclude", "diets")):
        return f"{abs(by):.0f} % of it would do"
    return f"{limit.say} would have to be {to:.3g} {limit.unit}"


def holds(problem: Problem, limits: Sequence[Limit], effort: Effort = UNLIMITED) -> bool:
    """Return whether `limits` can hold together over the candidates of `problem`."""
    return _can(problem, limits, effort)
