"""What a label is drawn of, in mm: runs of text, rules, squares, marks; and how wide text is in the bundled font."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache

from fallow_sieve.formats.labels.record import Matrix
from fallow_sieve.formats.shared import FAMILY, Pages

MM_PER_PT = 25.4 / 72
LEADING = 1.22


@dataclass(frozen=True, slots=True)
class Ink:
    """A line of text on its baseline: x, y and width in mm, size in points."""

    x: float
    y: float
    width: float
    size_pt: float
    text: str
    bold: bool = False


@dataclass(frozen=True, slots=True)
class Rule:
    """A line from one point to another, mm, and how thick."""

    x1: float
    y1: float
    x2: float
    y2: float
    thick: float = 0.25


@dataclass(frozen=True, slots=True)
class Squares:
    """A QR: its upper left corner and side in mm, and its modules."""

    x: float
    y: float
    side: float
    modules: Matrix


@dataclass(frozen=True, slots=True)
class EMark:
    """The mark of estimated mass: its lower left corner and height, mm."""

    x: float
    y: float
    height: float


@dataclass(frozen=True, slots=True)
class LabelPage:
    """A label laid out: its size in mm, what is drawn on it, and the smallest type (pt) that is."""

    width: float
    height: float
    inks: tuple[Ink, ...]
    rules: tuple[Rule, ...] = ()
    squares: tuple[Squares, ...] = ()
    marks: tuple[EMark, ...] = ()

    @property
    def least_pt(self) -> float:
        """The smallest type on it, points."""
        return min(i.size_pt for i in self.inks)


@cache
def _measures() -> Pages:
    return Pages("measures")


def width_of(text: str, size_pt: float, bold: bool = False) -> float:
    """Return how wide a line of text is, mm."""
    pages = _measures()
    pages.set_font(FAMILY, "B" if bold else "", size_pt)
    return float(pages.get_string_width(text))


@cache
def x_height_of_em() -> float:
    """Return how tall the letter x is, in em: read from the font itself."""
    font = _measures().fonts[FAMILY].ttfont  # type: ignore[union-attr]
    return float(font["OS/2"].sxHeight / font["head"].unitsPerEm)


def x_height_mm(size_pt: float) -> float:
    """Return how tall the letter x is at a size in points, mm.

    >>> round(x_height_mm(6.9), 2), x_height_mm(6.0) < 1.2
    (1.21, True)
    """
    return size_pt * MM_PER_PT * x_height_of_em()


def missing_glyphs(text: str) -> str:
    """Return the letters of a text that the font lacks."""
    known = [_measures().fonts[key].cmap for key in (FAMILY, f"{FAMILY}B")]  # type: ignore[union-attr]
    return "".join(dict.fromkeys(c for c in text if any(ord(c) not in k for k in known)))


Styled = Sequence[tuple[str, bool]]


def wrapped(runs: Styled, width: float, size_pt: float) -> list[list[Ink]]:
    """Return text in runs of (text, bold) broken into lines of at most `width` mm, each from x = 0 and y = 0."""
    lines: list[list[Ink]] = [[]]
    x = 0.0
    for word, bold, glued in _words(runs):
        gap = 0.0 if glued or not lines[-1] else width_of(" ", size_pt)
        wide = width_of(word, size_pt, bold)
        if lines[-1] and not glued and x + gap + wide > width:
            lines.append([])
            x, gap = 0.0, 0.0
        lines[-1].append(Ink(x + gap, 0.0, wide, size_pt, word, bold))
        x += gap + wide
    return lines


def _words(runs: Styled) -> list[tuple[str, bool, bool]]:
    """The words of runs with their style, and whether each sticks to the one before it."""
    found: list[tuple[str, bool, bool]] = []
    glued = False
    for text, bold in runs:
        begins = text[:1].isspace()
        for n, word in enumerate(text.split()):
            found.append((word, bold, n == 0 and glued and not begins))
        glued = bool(text) and not text[-1:].isspace()
    return found
