"""Answers of a table, made into rows: a row a taster, a column a sample, repeats averaged first."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.tastings.permutation import Row


class Method(StrEnum):
    """How samples are judged."""

    LIKING = "liking"
    RANKING = "ranking"
    PAIRED = "paired"
    TWO_AFC = "2-afc"
    TRIANGLE = "triangle"
    TETRAD = "tetrad"
    WORDS = "words"


LADDER = (
    "dislike extremely", "dislike very much", "dislike moderately", "dislike slightly", "neither like nor dislike",
    "like slightly", "like moderately", "like very much", "like extremely",
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Marks:
    """Marks of samples by tasters: `rows` are tasters, in the order of `samples`; None was not tasted."""

    samples: tuple[str, ...]
    tasters: tuple[str, ...]
    rows: tuple[Row, ...]


@dataclass(frozen=True, slots=True)
class Choices:
    """How often each of two was chosen, and neither (counts)."""

    samples: tuple[str, ...]
    chosen: tuple[int, int]
    neither: int


@dataclass(frozen=True, slots=True)
class RightAnswers:
    """Right answers of so many (counts), and whether somebody answered more than once."""

    right: int
    answers: int
    repeats: bool


@dataclass(frozen=True, slots=True)
class Ticks:
    """Words ticked: by word, rows of tasters in the order of `samples` with 1, 0 or None (not tasted)."""

    samples: tuple[str, ...]
    rows: Mapping[str, tuple[Row, ...]]


def marks_of(answers: Iterable[tuple[str, str, float | None]]) -> Marks:
    """Return answers (taster, sample, value in points or places) as rows; what one said twice is averaged.

    >>> marks_of([("Ida", "A", 7.0), ("Ida", "A", 5.0), ("Ida", "B", None)]).rows
    ((6.0, None),)
    """
    cells: dict[tuple[str, str], list[float]] = {}
    samples, tasters = _Names(), _Names()
    for taster, sample, value in answers:
        found = cells.setdefault((tasters.key(taster), samples.key(sample)), [])
        if value is not None:
            found.append(value)
    rows = tuple(tuple(_mean(cells.get((t, s), [])) for s in samples.said) for t in tasters.said)
    return Marks(tuple(samples.said.values()), tuple(tasters.said.values()), rows)


def _mean(values: list[float]) -> float | None:
    return sum(values) / len(values) if values else None


class _Names:
    """Names as they were first written; the same letters in another case or spacing are the same name."""

    def __init__(self) -> None:
        self.said: dict[str, str] = {}

    def key(self, name: str) -> str:
        key = plain(name)
        self.said.setdefault(key, " ".join(name.split()))
        return key


def plain(name: str) -> str:
    """Return a name without case and odd spaces, without unit: by this it is the same as another.

    >>> plain(" Loaf  A ")
    'loaf a'
    """
    return " ".join(name.split()).casefold()
