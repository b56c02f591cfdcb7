"""Mixed-integer linear programs as they are stated, row by row; what is answered; and how long a search may take."""

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
    """How long a search may go on: seconds left, asked before each solve, and whether it was told to stop.

    `stopped` is asked while a solve runs, from its thread, so it has to be quick.
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


@dataclass(frozen=True, slots=True)
class Block:
    """Rows of one shape: in each, low ≤ Σ coefficients × the variables that its line of `columns` names ≤ high."""

    columns: NDArray[np.int64]
    coefficients: Array
    low: float
    high: float


@dataclass(slots=True)
class Program:
    """A program being stated: low ≤ v ≤ high, rows low ≤ A v ≤ high, some variables whole numbers."""

    low: list[float] = field(default_factory=list)
    high: list[float] = field(default_factory=list)
    whole: list[bool] = field(default_factory=list)
    rows: list[tuple[Terms, float, float]] = field(default_factory=list)
    blocks: list[Block] = field(default_factory=list)

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

    def block(
        self, columns: NDArray[np.int64], coefficients: Sequence[float], low: float = -math.inf, high: float = math.inf
    ) -> None:
        """Add many rows of one shape; a variable may be named only once in a row."""
        if len(columns):
            self.blocks.append(Block(columns, np.asarray(coefficients, dtype=float), low, high))

    def copy(self) -> Program:
        """Return a program that can be stated further without changing this one."""
        return Program(list(self.low), list(self.high), list(self.whole), list(self.rows), list(self.blocks))

    def cost(self, terms: Terms) -> Array:
        """Return the coefficients of Σ terms over all variables."""
        line = np.zeros(len(self.low))
        for at, coefficients in terms:
            line[at] += coefficients
        return line
