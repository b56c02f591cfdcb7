"""Programs solved with HiGHS. The one file that knows it.

Huangfu & Hall 2018, Math. Program. Comput. 10, 119–142 (the solver's simplex method).
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np
from highspy import Highs, HighsLp, HighsModelStatus, HighsStatus, HighsVarType, MatrixFormat, SolutionStatus

from fallow_sieve.core.numerics.programs import UNLIMITED, Answer, Array, Effort, Outcome, Program

GAP = 1e-7
_SHORTEST_S = 0.05
# Searches of a smaller program inside the search ask nobody whether to stop, for up to half a second each.
_UNASKED = ("mip_heuristic_run_rins", "mip_heuristic_run_rens", "mip_heuristic_run_root_reduced_cost")
_NOTHING = Answer(Outcome.NOTHING, np.empty(0), math.nan, math.inf)
_IMPOSSIBLE = Answer(Outcome.INFEASIBLE, np.empty(0), math.nan, math.inf)


class _Quiet(Highs):
    """A solver that says nothing of itself, not even as it is made."""

    def enableCallbacks(self) -> None:  # noqa: N802 (the base class names it)
        """Be silent before the first thing that would be said."""
        self.silent()
        super().enableCallbacks()  # type: ignore[no-untyped-call]


def solve(
    program: Program,
    cost: Array,
    effort: Effort = UNLIMITED,
    *,
    presolve: bool = True,
    confirm: bool = True,
    begin: Array | None = None,
) -> Answer:
    """Return the values that minimise `cost` · v, to a relative gap of 1e-7, or why there are none.

    `begin` holds values of the first so many variables of an answer known already; the solver completes them, and
    takes no harm where they do not fit. With `confirm`, "infeasible" is asked again without presolve, which errs at
    times on limits that leave a hair.
    """
    answer = _solved(program, cost, effort, presolve, begin)
    if answer.found is Outcome.INFEASIBLE and presolve and confirm and not effort.is_spent:
        return _solved(program, cost, effort, False, begin)
    return answer


def _solved(program: Program, cost: Array, effort: Effort, presolve: bool, begin: Array | None) -> Answer:
    if effort.stopped():
        return _NOTHING
    highs = _loaded(_laid_out(program), np.asarray(cost, dtype=float), program.whole)
    highs.setOptionValue("presolve", "on" if presolve else "off")
    left = effort.seconds_left()
    if math.isfinite(left):
        highs.setOptionValue("time_limit", max(_SHORTEST_S, left))
    if begin is not None:
        highs.setSolution(len(begin), np.arange(len(begin), dtype=np.int32), np.asarray(begin, dtype=float))
    if effort is not UNLIMITED:
        _stop_when(highs, effort.stopped)
    return _NOTHING if highs.run() == HighsStatus.kError else _translated(highs)


def _stop_when(highs: Highs, stopped: Callable[[], bool]) -> None:
    """Let a running solve ask whether to stop: at each node of its tree, and while it solves what has no tree."""
    for asking in (highs.cbMipInterrupt, highs.cbSimplexInterrupt):
        asking.subscribe(lambda event: event.interrupt(stopped()))


def _loaded(lp: HighsLp, cost: Array, whole: Sequence[bool]) -> Highs:
    """A solver with the program in it; one thread, since independent solves run side by side."""
    lp.col_cost_ = cost
    if any(whole):
        lp.integrality_ = [HighsVarType.kInteger if w else HighsVarType.kContinuous for w in whole]
    highs = _Quiet()  # type: ignore[no-untyped-call]
    for option, value in (("threads", 1), ("mip_rel_gap", GAP), *((x, False) for x in _UNASKED)):
        highs.setOptionValue(option, value)
    highs.passModel(lp)
    return highs


def _laid_out(program: Program) -> HighsLp:
    """The program as the solver reads it: bounds, and the rows one after another with what is not 0, blocks last."""
    lines = [program.cost(terms) for terms, _, _ in program.rows]
    places = [np.flatnonzero(line) for line in lines]
    blocks = program.blocks
    counts = [
        np.array([len(at) for at in places], dtype=int),
        *(np.full(len(b.columns), b.columns.shape[1]) for b in blocks),
    ]
    lp = HighsLp()
    lp.num_col_, lp.num_row_ = len(program.low), sum(len(c) for c in counts)
    lp.col_lower_, lp.col_upper_ = np.array(program.low), np.array(program.high)
    lp.row_lower_ = np.concatenate([[r[1] for r in program.rows], *(np.full(len(b.columns), b.low) for b in blocks)])
    lp.row_upper_ = np.concatenate([[r[2] for r in program.rows], *(np.full(len(b.columns), b.high) for b in blocks)])
    lp.a_matrix_.format_ = MatrixFormat.kRowwise
    lp.a_matrix_.num_col_, lp.a_matrix_.num_row_ = lp.num_col_, lp.num_row_
    lp.a_matrix_.start_ = np.concatenate([[0], np.cumsum(np.concatenate(counts))]).astype(int)
    lp.a_matrix_.index_ = np.concatenate([np.empty(0, dtype=int), *places, *(b.columns.ravel() for b in blocks)])
    values = [line[at] for line, at in zip(lines, places, strict=True)]
    lp.a_matrix_.value_ = np.concatenate(
        [np.empty(0), *values, *(np.tile(b.coefficients, len(b.columns)) for b in blocks)]
    )
    return lp


def _translated(highs: Highs) -> Answer:
    status, info = highs.getModelStatus(), highs.getInfo()
    if status in (HighsModelStatus.kInfeasible, HighsModelStatus.kUnboundedOrInfeasible):
        return _IMPOSSIBLE
    if info.primal_solution_status != SolutionStatus.kSolutionStatusFeasible:
        return _NOTHING
    values = np.array(highs.getSolution().col_value)
    if status == HighsModelStatus.kOptimal:
        return Answer(Outcome.OPTIMAL, values, info.objective_function_value, 0.0)
    return Answer(Outcome.STOPPED, values, info.objective_function_value, info.mip_gap)


@dataclass(frozen=True, slots=True)
class Duals:
    """The relaxed program's answer, with the change of the objective per unit of each row's limit."""

    answer: Answer
    prices: Array


def prices(program: Program, cost: Array) -> Duals:
    """Return the optimum with every variable continuous, and what one unit more of each row's limit would add to it."""
    highs = _loaded(_laid_out(program), np.asarray(cost, dtype=float), ())
    highs.run()
    answer = _translated(highs)
    found = np.array(highs.getSolution().row_dual) if answer.is_usable else np.zeros(len(program.rows))
    return Duals(answer, found)
