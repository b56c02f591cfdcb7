"""The program of a mending: mass moved between a few parts, in whole grams where the blend is in whole grams."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.numerics.programs import Answer, Array, Effort, Program
from fallow_sieve.core.numerics.solver import solve
from fallow_sieve.core.optimise.model import EDGE, TOTAL_PCT, short_of
from fallow_sieve.core.optimise.problem import Limit, Problem

_WORTH_A_TOUCH = 1e-4  # % of flour: of equal moves, the one that handles fewer parts
_NUDGE = 2e-6


@dataclass(frozen=True, slots=True)
class _Moves:
    """The program of a mending: what goes up and down (in `unit` %), which parts are handled, which are gone."""

    program: Program
    up: slice
    down: slice
    handled: slice
    gone: slice
    unit: float
    whole: bool


def move_some(bench: BenchShares, touched: int, effort: Effort) -> Array | None:
    """Return the shares (% of flour base) after the smallest move between at most `touched` parts, or None.

    Mass moves in whole grams where the blend is in whole grams. The solver forgives a hair of each limit, which the
    judgement does not: where an answer used it, the limits are drawn in by as much.
    """
    moves = _stated(bench, touched)
    for drawn_in in (0.0, _NUDGE) if moves.whole else (_NUDGE,):
        program = moves.program.copy()
        _aim_at(program, moves, bench, drawn_in)
        cost = program.cost([(moves.up, moves.unit), (moves.handled, _WORTH_A_TOUCH)])
        answer = solve(program, cost, effort)
        if answer.is_usable and not moves.whole:
            answer = solve(_settled(program, moves, answer), cost, effort)
        if not answer.is_usable:
            return None
        by = answer.values[moves.up] - answer.values[moves.down]
        shares = bench.now + (np.round(by) if moves.whole else by) * moves.unit
        shares[np.abs(shares) < 1e-9] = 0.0
        if all(short_of(x, shares) <= EDGE * _size(x) for x in bench.target):
            return np.asarray(shares)
    return None


def _settled(program: Program, moves: _Moves, answer: Answer) -> Program:
    """The program with the handled parts fixed: a part handled by a hair of a whole number must not move a hair."""
    fixed = program.copy()
    for at in (moves.handled, moves.gone):
        fixed.low[at] = fixed.high[at] = [float(x) for x in np.round(answer.values[at])]
    for at in (moves.up, moves.down):
        fixed.high[at] = [h * z for h, z in zip(program.high[at], fixed.high[moves.handled], strict=True)]
    return fixed


def _stated(bench: BenchShares, touched: int) -> _Moves:
    """State what may move: as much up as down, so many parts, one new at most, and none left as a pinch."""
    n, now = bench.problem.count, bench.now
    free = ~bench.locked.astype(bool)
    whole = bench.step > 0
    unit = bench.step if whole else 1.0
    most_down = np.where(free, now, 0.0) / unit
    program = Program()
    up = program.variables(np.zeros(n), np.where(free, TOTAL_PCT - now, 0.0) / unit, whole)
    down = program.variables(np.zeros(n), np.round(most_down) if whole else most_down, whole)
    handled = program.variables(np.zeros(n), free.astype(float), True)
    gone = program.variables(np.zeros(n), (free & (now > 0)).astype(float), True)
    program.row([(up, unit), (down, -unit)], 0.0, 0.0)
    program.row([(handled, 1.0)], high=float(touched))
    program.row([(handled, (now <= 0).astype(float))], high=1.0)
    made = _Moves(program, up, down, handled, gone, unit, whole)
    for i, share in enumerate(now):
        _link(made, i, float(share), float(bench.problem.least[i]))
    return made


def _link(moves: _Moves, i: int, now: float, smallest: float) -> None:
    """A part moves only where it is handled; what is left of it is nothing, or no less than a bin may hold."""
    up, down, handled, gone = (
        slice(v.start + i, v.start + i + 1) for v in (moves.up, moves.down, moves.handled, moves.gone)
    )
    unit, row = moves.unit, moves.program.row
    row([(up, unit), (handled, -(TOTAL_PCT - now))], high=0.0)
    row([(down, unit), (handled, -now)], high=0.0)
    if now > 0:
        least = min(smallest, now)
        row([(down, unit), (up, -unit), (gone, -least)], high=now - least)
        row([(down, unit), (gone, -now)], low=0.0)
    else:
        row([(up, unit), (handled, -smallest)], low=0.0)


def _aim_at(program: Program, moves: _Moves, bench: BenchShares, drawn_in: float) -> None:
    """Demand every limit of the target, drawn in by a part of its size."""
    present = (bench.now > 0).astype(float)
    for limit in bench.target:
        size = _size(limit)
        a, c = limit.a * moves.unit / size, limit.c / size
        bound = -limit.a0 / size - float(limit.a @ bench.now) / size - float(c @ present)
        terms = [(moves.up, a), (moves.down, -a), (moves.gone, -c), (moves.handled, c * (1 - present))]
        program.row(terms, low=bound + drawn_in * bool(np.any(limit.a)))


def _size(limit: Limit) -> float:
    largest = max(float(np.max(np.abs(limit.a), initial=0.0)), float(np.max(np.abs(limit.c), initial=0.0)))
    return largest if largest > 0 else 1.0


@dataclass(frozen=True, slots=True)
class BenchShares:
    """The blend as shares over the candidates: `now` (% of flour base), which are locked, and the target limits."""

    problem: Problem
    now: Array
    locked: Array
    target: tuple[Limit, ...]
    step: float
    passes: bool
