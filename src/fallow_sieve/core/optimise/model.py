"""States a problem as a mixed-integer program, tightly: bounds that follow from the limits stand in the links.

Shares are whole numbers of steps, bins 0 or 1: least·z ≤ x ≤ most·z. `most` is not 100 but what the limits leave
(each row, with the rest of the mix at its best), and candidates alike in every number are taken in one order.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from fallow_sieve.core.numerics.programs import UNLIMITED, Answer, Array, Effort, Program, Terms
from fallow_sieve.core.numerics.solver import solve
from fallow_sieve.core.optimise.problem import Limit, Problem

TOTAL_PCT = 100.0
EDGE = 1e-9  # what the judgement forgives at a limit
_NUDGE = 2e-6  # how far a row is drawn in where the solver's own tolerance let an answer past it
_TRIES = 4
DIFFERENT_PCT = 15.0
DIFFERENT_WITH_BINS_PCT = 5.0
DIFFERENT_BINS = 2


@dataclass(slots=True)
class Model:
    """A problem stated: `x` counts steps (a share is `unit` × count, %), `z` marks bins that are used."""

    problem: Problem
    program: Program
    x: slice
    z: slice
    unit: Array
    most: Array
    least: Array
    parts: dict[str, slice] = field(default_factory=dict)

    def over_shares(self, a: Array) -> Terms:
        """Return the terms of a·x, x in % of flour base."""
        return [(self.x, a * self.unit)]

    def shares(self, answer: Answer) -> Array:
        """Return the shares of an answer, % of flour base: whole steps where there is a step, summing to 100."""
        counts = answer.values[self.x]
        whole = np.array(self.program.whole[self.x])
        shares = np.where(whole, np.round(counts) * self.unit, counts * self.unit)
        shares[np.abs(shares) < 1e-7] = 0.0
        if not np.all(whole | (shares == 0)):
            loose = ~whole & (shares > 0) & (np.array(self.program.low[self.x]) < np.array(self.program.high[self.x]))
            if np.any(loose):
                shares[loose] += (TOTAL_PCT - shares.sum()) * shares[loose] / shares[loose].sum()
        return shares

    def values(self, shares: Array) -> Array:
        """Return the values of the first variables, `x` and `z`, for a blend known already (% of flour base)."""
        return np.concatenate([shares / self.unit, shares > 0])

    def copy(self) -> Model:
        """Return a model whose program can be stated further."""
        return Model(
            self.problem, self.program.copy(), self.x, self.z, self.unit, self.most, self.least, dict(self.parts)
        )


def state(problem: Problem, *, tight: bool = True, extra: Sequence[Limit] = ()) -> Model:
    """Return `problem` stated; `extra` limits tighten the bounds too. Not `tight`: the plain big-M statement."""
    limits = (*problem.limits, *extra)
    unit, whole = _units(problem)
    most = _whole_steps(_most(problem, limits) if tight else np.full(problem.count, TOTAL_PCT), unit, whole)
    least = np.minimum(_least(problem, unit, whole), most)
    program = Program()
    dead = tight & (most < problem.least - EDGE) & ~_is_locked(problem)
    high = np.where(dead, 0.0, most)
    x = program.variables(np.zeros(problem.count), high / unit, list(whole))
    z = program.variables(np.zeros(problem.count), np.where(dead, 0.0, 1.0), True)
    model = Model(problem, program, x, z, unit, high, least)
    program.row(model.over_shares(np.ones(problem.count)), TOTAL_PCT, TOTAL_PCT)
    for i in range(problem.count):
        xi, zi = _at(x, i), _at(z, i)
        program.row([(xi, unit[i]), (zi, -high[i])], high=0.0)
        program.row([(xi, unit[i]), (zi, -least[i])], low=0.0)
    for limit in limits:
        _put_limit(model, limit)
    if tight:
        _order_alike(model)
    return model


def _at(where: slice, i: int) -> slice:
    return slice(where.start + i, where.start + i + 1)


def _is_locked(problem: Problem) -> np.ndarray[tuple[int], np.dtype[np.bool_]]:
    return np.array([s in problem.wishes.lock for s in problem.slugs])


def _units(problem: Problem) -> tuple[Array, np.ndarray[tuple[int], np.dtype[np.bool_]]]:
    """The unit of each share and whether it counts whole steps: a lock off the step is left as it is."""
    step = problem.wishes.step
    if step <= 0:
        return np.ones(problem.count), np.zeros(problem.count, dtype=bool)
    whole = []
    for slug in problem.slugs:
        lock = problem.wishes.lock.get(slug)
        whole.append(lock is None or abs(lock / step - round(lock / step)) < EDGE)
    marks = np.array(whole)
    return np.where(marks, step, 1.0), marks


def _least(problem: Problem, unit: Array, whole: np.ndarray[tuple[int], np.dtype[np.bool_]]) -> Array:
    """The least share of a bin that is used, raised to a whole step; a lock may be less."""
    up = np.where(whole, np.ceil(problem.least / unit - EDGE) * unit, problem.least)
    locks = [problem.wishes.lock.get(s, math.inf) for s in problem.slugs]
    return np.minimum(up, locks)


def _most(problem: Problem, limits: Sequence[Limit]) -> Array:
    """What each share can be at most by any one row, with the rest of the 100 % as good for that row as it can be."""
    most = np.full(problem.count, TOTAL_PCT)
    for _ in range(2):
        for limit in limits:
            if np.any(limit.c):
                continue
            usable = most > EDGE
            if not np.any(usable):
                return np.zeros(problem.count)
            best = float(np.max(limit.a[usable]))
            room, short = best * TOTAL_PCT + limit.a0, best - limit.a
            bound = np.full(problem.count, TOTAL_PCT)
            np.divide(room, short, out=bound, where=short > EDGE)
            most = np.minimum(most, np.clip(bound, 0.0, TOTAL_PCT))
        most[(most < problem.least - 1e-6) & ~_is_locked(problem)] = 0.0
    return most


def _whole_steps(most: Array, unit: Array, whole: np.ndarray[tuple[int], np.dtype[np.bool_]]) -> Array:
    """Bounds on whole numbers of steps; a bound a hair off a number misleads the solver's presolve."""
    return np.where(whole, np.floor(most / unit + 1e-6) * unit, most)


def _put_limit(model: Model, limit: Limit) -> None:
    """State one limit as a row, scaled so that its largest coefficient is 1."""
    scale = max(float(np.max(np.abs(limit.a), initial=0.0)), float(np.max(np.abs(limit.c), initial=0.0)), EDGE)
    terms = [*model.over_shares(limit.a / scale), (model.z, limit.c / scale)]
    model.program.row(terms, low=-limit.a0 / scale)


def _order_alike(model: Model) -> None:
    """Of two candidates alike in every number, the second is used only where the first is, and no more of it."""
    p = model.problem
    forms = [f for m in p.forms.values() for f in (m.a, m.b, *m.reach)]
    rows = [x for limit in p.limits for x in (limit.a, limit.c)]
    columns = np.array([*forms, *rows, p.usual_most, np.nan_to_num(p.price, nan=-1.0), p.stock_pct, model.unit]).T
    seen: dict[bytes, int] = {}
    for i, column in enumerate(columns):
        earlier = seen.setdefault(np.ascontiguousarray(column).tobytes(), i)
        if earlier != i and p.slugs[i] not in p.wishes.forced:
            model.program.row([(_at(model.z, earlier), 1.0), (_at(model.z, i), -1.0)], low=0.0)


def add_difference(model: Model, earlier: Array) -> Model:
    """Return `model` with the demand to differ from `earlier` (% of flour base): 15 % of mass, or two bins and 5 %.

    Mass that moves is Σ max(0, earlier − x) over what the earlier one used; each term is counted only where its
    binary says that it fell.
    """
    used = np.flatnonzero(earlier > 0)
    program = model.program
    fell = program.variables(np.zeros(len(used)), earlier[used])
    falls = program.variables(np.zeros(len(used)), np.ones(len(used)), True)
    bins = program.variables([0.0], [1.0], True)
    for n, i in enumerate(used):
        xi, unit, was = _at(model.x, int(i)), float(model.unit[i]), float(earlier[i])
        slack = float(model.most[i])
        program.row([(_at(fell, n), 1.0), (xi, unit), (_at(falls, n), slack)], high=was + slack)
        program.row([(_at(fell, n), 1.0), (_at(falls, n), -was)], high=0.0)
    more = DIFFERENT_PCT - DIFFERENT_WITH_BINS_PCT
    program.row([(fell, 1.0), (bins, more)], low=DIFFERENT_PCT)
    changes = np.where(earlier > 0, -1.0, 1.0)
    program.row([(model.z, changes), (bins, -float(DIFFERENT_BINS))], low=-float(len(used)))
    return model


def moved_pct(a: Array, b: Array) -> float:
    """Return the mass that moves between two blends, % of flour base: ½ Σ |Δx|."""
    return 0.5 * float(np.abs(a - b).sum())


def differs(a: Array, b: Array) -> bool:
    """Return whether two blends (% of flour base) differ enough to be shown side by side."""
    moved = moved_pct(a, b)
    bins = int(np.sum((a > 0) != (b > 0)))
    return moved >= DIFFERENT_PCT - 1e-6 or (bins >= DIFFERENT_BINS and moved >= DIFFERENT_WITH_BINS_PCT - 1e-6)


def solve_kept(
    model: Model,
    cost: Array,
    effort: Effort = UNLIMITED,
    extra: Sequence[Limit] = (),
    *,
    presolve: bool = True,
    confirm: bool = True,
    known: Array | None = None,
) -> tuple[Answer, Array]:
    """Return the answer and its shares (% of flour base), with every limit kept as strictly as the judgement does.

    The search begins from the shares `known`, where they are given: an answer to a program like this one.
    The solver forgives 1e-6 of a row; where an answer used that, the row is drawn in by as much and solved again.
    """
    tried = model
    for _ in range(_TRIES):
        begin = None if known is None else model.values(known)
        answer = solve(tried.program, cost, effort, presolve=presolve, confirm=confirm, begin=begin)
        if not answer.is_usable:
            return answer, np.zeros(model.problem.count)
        shares = model.shares(answer)
        broken = [x for x in (*model.problem.limits, *extra) if short_of(x, shares) > EDGE * _size(x)]
        if not broken:
            return answer, shares
        tried = tried.copy() if tried is model else tried
        for limit in broken:
            drawn_in = Limit(limit.name, limit.side, limit.a, limit.c, limit.a0 - _NUDGE * _size(limit), limit.say)
            _put_limit(tried, drawn_in)
    return answer, shares


def _size(limit: Limit) -> float:
    return max(1.0, float(np.max(np.abs(limit.a), initial=0.0)))


def short_of(limit: Limit, shares: Array) -> float:
    """Return by how much `shares` (% of flour base) miss the row of a limit, in the row's own unit; 0 where kept."""
    return max(0.0, -(float(limit.a @ shares) + float(limit.c @ (shares > 0)) + limit.a0))
