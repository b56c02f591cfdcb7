"""Tasks on a grid of cells: lengths in cells by the cell a task begins in, and which events are bound together.

An event is the beginning or the end of a task. On the coarse grid lengths are rounded outwards, so that what is
possible stays so.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Lengths, Problem

Cells = NDArray[np.int64]


@dataclass(frozen=True, eq=False, slots=True)
class Ends:
    """The cells in which a task ends, by the cell in which it begins: earliest, typical, latest."""

    low: Cells
    typical: Cells
    high: Cells


@dataclass(frozen=True, slots=True)
class Gap:
    """Event `after` lies `low` to `high` cells after event `before` (high None: without end)."""

    before: int
    after: int
    low: int
    high: int | None


@dataclass(frozen=True, slots=True)
class Grid:
    """A problem on cells of `width` minutes: how many, the ends of every task, the gaps between tasks."""

    width: int
    cells: int
    ends: tuple[Ends, ...]
    gaps: tuple[Gap, ...]

    def cell_of(self, minute: float, *, up: bool = False) -> int:
        """Return the cell of a minute, rounded down, or `up`."""
        return math.ceil(minute / self.width - 1e-9) if up else math.floor(minute / self.width + 1e-9)


def begin_of(task: int) -> int:
    """Return the event at which a task begins."""
    return 2 * task


def end_of(task: int) -> int:
    """Return the event at which a task ends."""
    return 2 * task + 1


def laid_on_grid(problem: Problem, width: int) -> Grid:
    """Return `problem` on cells of `width` minutes, a multiple of five."""
    cells = math.ceil(problem.cells * CELL_MIN / width)
    ends = tuple(_ends(t.lengths, cells, width) for t in problem.tasks)
    gaps = tuple(
        Gap(
            end_of(x.before),
            begin_of(x.after),
            math.ceil(x.lag_low / width - 1e-9) if width == CELL_MIN else math.floor(x.lag_low / width + 1e-9),
            None if math.isinf(x.lag_high) else _lag(x.lag_high, width),
        )
        for x in problem.links
    )
    return Grid(width, cells, ends, gaps)


def _lag(high: float, width: int) -> int:
    return math.floor(high / width + 1e-9) if width == CELL_MIN else math.ceil(high / width - 1e-9)


def _ends(lengths: Lengths, cells: int, width: int) -> Ends:
    at = np.arange(cells + 1)
    low, typical, high = (_by_cell(x, at, width) for x in (lengths.low, lengths.typical, lengths.high))
    fine = width == CELL_MIN
    typical_cells = np.rint(typical / width)
    low_cells = np.ceil(low / width - 1e-9) if fine else np.floor(low / width + 1e-9)
    high_cells = np.floor(high / width + 1e-9) if fine else np.ceil(high / width - 1e-9)
    if lengths.is_fixed:
        low_cells = high_cells = typical_cells
    off = low_cells > high_cells  # a window narrower than a cell
    low_cells, high_cells = np.where(off, typical_cells, low_cells), np.where(off, typical_cells, high_cells)
    typical_cells = np.clip(typical_cells, low_cells, high_cells)
    # A later start never ends earlier: what a day's curve would turn round is mended here.
    return Ends(*(np.maximum.accumulate(at + x).astype(np.int64) for x in (low_cells, typical_cells, high_cells)))


def _by_cell(minutes: Array, at: Cells, width: int) -> Array:
    if len(minutes) == 1:
        return np.full(len(at), minutes[0])
    return minutes[np.minimum(at * (width // CELL_MIN), len(minutes) - 1)]
