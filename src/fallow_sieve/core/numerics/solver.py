"""Mixed-integer linear programs, stated row by row and solved with HiGHS through SciPy. The one file that knows it.

Huangfu & Hall 2018, Math. Program. Comput. 10, 119–142 (the solver's simplex method).
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, field
from enum import StrEnum
from typing import Any

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
Terms = Sequence[tuple[slice, Any]]
GAP = 1e-7
_SHORTEST_S = 0.05


class Outcome(StrEnum):
    """How a search ended: proven best, stopped with one in hand, proven impossible, stopped with none."""

    OPTIMAL = "optimal"
    STOPPED = "stopped"
    INFEASIBLE = "infeasible"
    NOTHING = "nothing"


@dataclass(frozen=True, slots=True)
class Answer:
    """What a search found: values of the variables, the objective (minimised), and its relative gap (0 proven)."""

    found: Outcome
    values: Array
    objective: float
    gap: float

    @property
    def is_usable(self) -> bool:
        """Whether there are values at all."""
        return self.found in (Outcome.OPTIMAL, Outcome.STOPPED)


@dataclass(frozen=True, slots=True)
class Effort:
    """How long a search may go on: seconds left, and whether it was told to stop, both asked between solves.

    `map` runs independent solves: the built-in one after the other, or that of a pool side by side.
    """

    seconds_left: Callable[[], float] = lambda: math.inf
    stopped: Callable[[], bool] = lambda: False
    map: Callable[..., Iterable[Any]] = map

    @property
    def is_spent(self) -> bool:
        """Whether nothing more should be begun."""
        return self.stopped() or self.seconds_left() <= 0


UNLIMITED = Effort()


@dataclass(slots=True)
class Program:
    """A program being stated: low ≤ v ≤ high, rows low ≤ A v ≤ high, some variables whole numbers."""

    low: list[float] = field(default_factory=list)
    high: list[float] = field(default_factory=list)
    whole: list[bool] = field(default_factory=list)
    rows: list[tuple[Terms, float, float]] = field(default_factory=list)

    def variables(
        self, low: Array | Sequence[float], high: Array | Sequence[float], whole: Sequence[bool] | bool = False
    ) -> slice:
        """Add variables between `low` and `high`; return where they stand."""
        start = len(self.low)
        self.low += [float(x) for x in low]
        self.high += [float(x) for x in high]
        self.whole += [whole] * len(low) if isinstance(whole, bool) else list(whole)
        return slice(start, len(self.low))

    def row(self, terms: Terms, low: float = -math.inf, high: float = math.inf) -> None:
        """Add the row low ≤ Σ coefficients × variables ≤ high."""
        self.rows.append((terms, low, high))

    def copy(self) -> Program:
        """Return a program that can be stated further without changing this one."""
        return Program(list(self.low), list(self.high), list(self.whole), list(self.rows))

    def cost(self, terms: Terms) -> Array:
        """Return the coefficients of Σ terms over all variables."""
        return _vector(terms, len(self.low))


def _vector(terms: Terms, width: int) -> Array:
    line = np.zeros(width)
    for at, coefficients in terms:
        line[at] += coefficients
    return line


def solve(
    program: Program, cost: Array, effort: Effort = UNLIMITED, *, presolve: bool = True, confirm: bool = True
) -> Answer:
    """Return the values that minimise `cost` · v, to a relative gap of 1e-7, or why there are none.

    With `confirm`, "infeasible" is asked again without presolve, which errs at times on limits that leave a hair.
    """
    answer = _solved(program, cost, effort, presolve)
    if answer.found is Outcome.INFEASIBLE and presolve and confirm and not effort.is_spent:
        return _solved(program, cost, effort, False)
    return answer


def _solved(program: Program, cost: Array, effort: Effort, presolve: bool) -> Answer:
    from scipy.optimize import Bounds, LinearConstraint, milp  # loaded when something is first solved
    from scipy.sparse import csc_array

    left = effort.seconds_left()
    options = {"presolve": presolve, "mip_rel_gap": GAP}
    if math.isfinite(left):
        options["time_limit"] = max(_SHORTEST_S, left)
    matrix, low, high = _laid_out(program)
    found = milp(
        cost,
        integrality=np.array(program.whole, dtype=int),
        bounds=Bounds(program.low, program.high),
        constraints=LinearConstraint(csc_array(matrix), low, high) if len(low) else (),
        options=options,
    )
    return _translated(found)


def _laid_out(program: Program) -> tuple[Array, Array, Array]:
    width = len(program.low)
    matrix = np.zeros((len(program.rows), width))
    for line, (terms, _, _) in zip(matrix, program.rows, strict=True):
        for at, coefficients in terms:
            line[at] += coefficients
    return matrix, np.array([r[1] for r in program.rows]), np.array([r[2] for r in program.rows])


def _translated(answer: object) -> Answer:
    values, status = getattr(answer, "x", None), getattr(answer, "status", 4)
    if values is None:
        found = Outcome.INFEASIBLE if status == 2 else Outcome.NOTHING
        return Answer(found, np.empty(0), math.nan, math.inf)
    gap = getattr(answer, "mip_gap", None) or 0.0
    found = Outcome.OPTIMAL if status == 0 else Outcome.STOPPED
    return Answer(found, np.asarray(values), float(getattr(answer, "fun")), 0.0 if found is Outcome.OPTIMAL else gap)  # noqa: B009


@dataclass(frozen=True, slots=True)
class Duals:
    """The relaxed program's answer, with the change of the objective per unit of each row's limit."""

    answer: Answer
    prices: Array


def prices(program: Program, cost: Array) -> Duals:
    """Return the optimum with every variable continuous, and what one unit more of each row's limit would add to it."""
    from scipy.optimize import linprog

    matrix, low, high = _laid_out(program)
    upper, lower = np.isfinite(high), np.isfinite(low)
    tops, bottoms = matrix[upper], -matrix[lower]
    answer = linprog(
        cost,
        A_ub=np.vstack([tops, bottoms]),
        b_ub=np.concatenate([high[upper], -low[lower]]),
        bounds=list(zip(program.low, program.high, strict=True)),
        method="highs",
    )
    found = np.zeros(len(low))
    if answer.status == 0:
        marginals = np.asarray(answer.ineqlin.marginals)
        found[upper] += marginals[: int(upper.sum())]
        found[lower] -= marginals[int(upper.sum()) :]
    return Duals(_translated(answer), found)
