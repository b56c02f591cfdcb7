"""Placing from the top down: titles, rules, paragraphs, the table with what stands beside it, and the foot."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from fallow_sieve.formats.labels.paper import (
    LEADING,
    MM_PER_PT,
    EMark,
    Ink,
    LabelPage,
    Rule,
    Squares,
    Styled,
    width_of,
    wrapped,
)

_TITLE_TIMES = 2.2
_TABLE_SHARE = 0.6
_E_MARK_MM = 3.0


class Flow:
    """Fills a label of `width` × `height` mm at `points` pt, with `small` pt for what may be smaller."""

    def __init__(self, width: float, height: float, points: float, small: float) -> None:
        self.width, self.height, self.points, self.small = width, height, points, small
        self.margin = 4.0 if width > 60 else 2.5
        self.y = self.margin
        self.least_foot = height
        self._inks: list[Ink] = []
        self._rules: list[Rule] = []
        self._squares: list[Squares] = []
        self._marks: list[EMark] = []

    @property
    def room(self) -> float:
        """The width between the margins, mm."""
        return self.width - 2 * self.margin

    @property
    def fits(self) -> bool:
        """Whether nothing runs out at the foot or the side."""
        inside = all(i.x + i.width <= self.width - self.margin + 0.5 for i in self._inks)
        return inside and self.y <= min(self.least_foot, self.height - 1.0) + 0.01

    def page(self) -> LabelPage:
        """Return what was placed."""
        return LabelPage(
            self.width, self.height, tuple(self._inks), tuple(self._rules), tuple(self._squares), tuple(self._marks)
        )

    def _lines(self, runs: Styled, x: float, width: float, points: float) -> None:
        step = points * MM_PER_PT * LEADING
        for line in wrapped([r for r in runs if r[0].strip()], width, points):
            if not line:
                continue
            self.y += step
            self._inks += [replace(i, x=i.x + x, y=self.y - step * 0.22) for i in line]

    def banner(self, text: str) -> None:
        """Place a word across the whole width."""
        points = self.points * _TITLE_TIMES * 1.2
        while points > self.points and width_of(text, points, True) > self.room:
            points *= 0.94
        self._lines([(text, True)], self.margin, self.room, points)
        self.rule(1.0)

    def title(self, text: str) -> None:
        """Place the name, large, on at most two lines."""
        points = self.points * _TITLE_TIMES
        while points > self.points * 1.1 and len(wrapped([(text, True)], self.room, points)) > (
            2 if points < 14 else 1
        ):
            points *= 0.94
        self._lines([(text, True)], self.margin, self.room, points)

    def rule(self, thick: float = 0.5) -> None:
        """Place a rule over the width."""
        self.y += 1.2
        self._rules.append(Rule(self.margin, self.y, self.width - self.margin, self.y, thick))
        self.y += 0.6

    def say(self, runs: Styled, times: float = 1.0, small: bool = False) -> None:
        """Place a paragraph; nothing where it says nothing."""
        if not any(t.strip() for t, _ in runs):
            return
        self.y += 0.9
        self._lines(runs, self.margin, self.room, (self.small if small else self.points) * times)

    def blank_line(self, text: str) -> None:
        """Place words with a line beside them that is written on by hand."""
        if not text:
            return
        self.y += 1.5
        self._lines([(text, False)], self.margin, self.room, self.points)
        x = self.margin + width_of(text, self.points) + 2
        self._rules.append(Rule(x, self.y, self.width - self.margin, self.y, 0.3))

    def table(
        self, title: str, rows: Sequence[tuple[str, str, bool]], beside: Sequence[tuple[str, bool, float]]
    ) -> None:
        """Place the nutrition table, and beside it what stands in large: net mass, date."""
        self.y += 1.5
        top = self.y
        if rows:
            wide = self.room * _TABLE_SHARE
            self._lines([(title, True)], self.margin, wide, self.small)
            for name, value, indented in rows:
                self._row(name, value, indented, wide)
        foot, self.y = self.y, top
        left = self.margin + (self.room * _TABLE_SHARE + 3 if rows else 0)
        for text, bold, times in beside:
            if text:
                self._lines([(text, bold)], left, self.width - self.margin - left, self.points * times)
                self.y += 1.0
        if beside and beside[0][0]:
            self._e_mark(left, beside[0])
        self.y = max(self.y, foot)

    def _row(self, name: str, value: str, indented: bool, wide: float) -> None:
        step = self.small * MM_PER_PT * LEADING
        self.y += step + 0.35
        base = self.y - step * 0.22 - 0.2
        x = self.margin + (2.0 if indented else 0.0)
        right = width_of(value, self.small)
        self._inks.append(Ink(x, base, width_of(name, self.small), self.small, name))
        self._inks.append(Ink(self.margin + wide - right, base, right, self.small, value))
        self._rules.append(Rule(self.margin, self.y, self.margin + wide, self.y, 0.1))

    def _e_mark(self, left: float, net: tuple[str, bool, float]) -> None:
        first = next((i for i in self._inks if i.x == left and i.text == net[0].split()[0]), None)
        if first is None:
            return
        end = max((i.x + i.width for i in self._inks if abs(i.y - first.y) < 0.01 and i.x >= left), default=left)
        if end + 1.5 + _E_MARK_MM <= self.width - self.margin:
            self._marks.append(EMark(end + 1.5, first.y, _E_MARK_MM))

    def beside(self, qr: Squares, rows: Styled) -> None:
        """Place the QR at the left, and rows at its right."""
        top = self.y + 0.5
        self._squares.append(replace(qr, x=self.margin, y=top))
        left = self.margin + qr.side + 1.5
        self.y = top
        for text, bold in rows:
            if text:
                self._lines([(text, bold)], left, self.width - self.margin - left, self.points)
        self.y = max(self.y, top + qr.side)

    def foot(self, qr: Squares, rows: Styled, draft: str) -> None:
        """Place the QR at the foot with code and maker beside it, and under a rule that it is a draft."""
        end = self.y
        self.y = self.height - self.margin * 0.6
        if draft:
            count = len(wrapped([(draft, False)], self.room, self.small))
            self.y -= count * self.small * MM_PER_PT * LEADING
            self._rules.append(Rule(0, self.y - 0.8, self.width, self.y - 0.8, 0.2))
            top = self.y
            self._lines([(draft, False)], self.margin, self.room, self.small)
            self.y = top - 1.6
        self.least_foot = self.y - qr.side
        self._squares.append(replace(qr, x=self.margin - 0.8, y=self.least_foot))
        left = self.margin + qr.side + 2.0
        self.y = self.least_foot + 1.5
        for n, (text, bold) in enumerate(rows):
            if text:
                self._lines(
                    [(text, bold)], left, self.width - self.margin - left, self.points * (1.25 if n == 0 else 1)
                )
        self.y = end + 1.0
