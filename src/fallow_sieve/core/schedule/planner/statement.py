"""A plan as a program: z[e, t] = 1 if event e lies at or before cell t (a minimum cut; Möhring et al. 2003).

Lengths and gaps are differences of such steps, so that only hands, mixers and ovens break integrality.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field

import numpy as np

from fallow_sieve.core.numerics.programs import Array, Program
from fallow_sieve.core.schedule.planner.grid import Cells, Ends, Grid
from fallow_sieve.core.schedule.planner.windows import Windows

ZERO, ONE = 0, 1  # columns of the constants


@dataclass(slots=True)
class Statement:
    """A program being stated over the steps of events, with its cost by column."""

    grid: Grid
    windows: Windows
    program: Program = field(default_factory=Program)
    cost: dict[int, float] = field(default_factory=dict)
    constant: float = 0.0
    _bound: dict[int, tuple[int, int]] = field(default_factory=dict)  # event → (root, cells after it)
    _columns: dict[int, int] = field(default_factory=dict)

    def begin(self, events: int) -> None:
        """Add the constants and the columns of every event that is bound to no other."""
        self.program.variables([0.0, 1.0], [0.0, 1.0])
        for event in range(events):
            root, _ = self.root_of(event)
            if root == event:
                width = self.windows.last[event] - self.windows.first[event]
                place = self.program.variables([0.0] * width, [1.0] * width, True)
                self._columns[event] = place.start
        for event in self._columns:
            self._rising(event)

    def bind(self, event: int, to: int, cells: int) -> None:
        """Have `event` lie exactly `cells` after `to`."""
        root, offset = self.root_of(to)
        own, own_offset = self.root_of(event)
        if own != root:
            self._bound[own] = (root, offset + cells - own_offset)

    def root_of(self, event: int) -> tuple[int, int]:
        """Return the event that carries the columns of `event`, and how many cells later `event` lies."""
        offset = 0
        while event in self._bound:
            event, more = self._bound[event]
            offset += more
        return event, offset

    def _rising(self, event: int) -> None:
        first, last = self.windows.first[event], self.windows.last[event]
        cells = np.arange(first, last - 1)
        self.at_most(self.z(event, cells), self.z(event, cells + 1))

    def z(self, event: int, cells: Cells) -> Cells:
        """Return the columns of "event lies at or before cell", for each of `cells`."""
        root, offset = self.root_of(event)
        first, last = self.windows.first[root], self.windows.last[root]
        at = np.asarray(cells) - offset
        inside = self._columns[root] + at - first
        return np.where(at < first, ZERO, np.where(at >= last, ONE, inside)).astype(np.int64)

    def at_most(self, left: Cells, right: Cells) -> None:
        """Have the column `left` at most the column `right`, row by row; what is so anyway is left out."""
        keep = (left != ZERO) & (right != ONE) & (left != right)
        self.program.block(np.stack([left[keep], right[keep]], axis=1), (1.0, -1.0), high=0.0)

    def ends_between(self, b: int, e: int, ends: Ends) -> None:
        """Have event `e` lie between the earliest and the latest end of what begins with event `b`."""
        cells = np.arange(self.windows.first[b], self.windows.last[b] + 1)
        self.at_most(self.z(e, ends.low[cells] - 1), self.z(b, cells - 1))
        self.at_most(self.z(b, cells), self.z(e, ends.high[cells]))

    def gap(self, a: int, b: int, low: int, high: int | None) -> None:
        """Have event `b` lie `low` to `high` cells after event `a`."""
        cells = np.arange(self.windows.first[b], self.windows.last[b] + 1)
        self.at_most(self.z(b, cells), self.z(a, cells - low))
        if high is not None:
            cells = np.arange(self.windows.first[a], self.windows.last[a] + 1)
            self.at_most(self.z(a, cells), self.z(b, cells + high))

    def off(self, left: Cells, right: Cells, cost: float) -> None:
        """Charge `cost` for each row in which the column `left` is 1 and the column `right` is 0."""
        keep = (left != ZERO) & (right != ONE) & (left != right)
        left, right = left[keep], right[keep]
        if cost <= 0 or not len(left):
            return
        more = self.program.variables([0.0] * len(left), [1.0] * len(left))
        at = np.arange(more.start, more.stop)
        self.program.block(np.stack([left, right, at], axis=1), (1.0, -1.0, -1.0), high=0.0)
        for column in at:
            self.cost[int(column)] = cost

    def costs_at(self, event: int, cost: Array) -> None:
        """Charge `cost[t]` where `event` lies at cell t (cells without end: the last value)."""
        first, last = self.windows.first[event], self.windows.last[event]
        cells = np.arange(first, last + 1)
        value = cost[np.minimum(cells, len(cost) - 1)]
        self.constant += float(value[-1])
        for column, drop in zip(self.z(event, cells[:-1]), value[:-1] - value[1:], strict=True):
            if drop and column > ONE:
                self.cost[int(column)] = self.cost.get(int(column), 0.0) + float(drop)
            elif drop and column == ONE:
                self.constant += float(drop)

    def costs(self) -> Array:
        """Return the cost of every column."""
        line = np.zeros(len(self.program.low))
        line[list(self.cost)] = list(self.cost.values())
        return line

    def cell(self, event: int, values: Array) -> int:
        """Return the cell in which `event` lies in a solution."""
        root, offset = self.root_of(event)
        first, last = self.windows.first[root], self.windows.last[root]
        steps = values[self._columns[root] : self._columns[root] + last - first]
        return first + int(np.sum(steps < 0.5)) + offset

    def cover(self, spans: Iterable[tuple[int, int, int]], most: int) -> None:
        """Have at most `most` of `spans` (event, from, to: cells round it) cover any cell."""
        held = list(spans)
        lows = [self.windows.first[e] + a for e, a, _ in held]
        highs = [self.windows.last[e] + b for e, _, b in held]
        for cell in range(min(lows, default=0), max(highs, default=0)):
            here = [s for s, lo, hi in zip(held, lows, highs, strict=True) if lo <= cell < hi]
            if len(here) > most:
                self._row_of_cover(here, cell, most)

    def _row_of_cover(self, here: list[tuple[int, int, int]], cell: int, most: int) -> None:
        total: dict[int, float] = {}
        for event, begins, ends in here:
            on, off = (int(self.z(event, np.array([cell - x]))[0]) for x in (begins, ends))
            total[on] = total.get(on, 0.0) + 1.0
            total[off] = total.get(off, 0.0) - 1.0
        given = total.pop(ONE, 0.0)
        total.pop(ZERO, None)
        columns = [c for c, k in total.items() if k]
        if sum(max(0.0, total[c]) for c in columns) + given > most:
            self.program.block(np.array([columns], dtype=np.int64), [total[c] for c in columns], high=most - given)
