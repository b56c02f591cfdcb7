"""A band: a good range between hard limits, how a value stands on it, and the state of many in one sentence.

Sieves of a blend and gauges of a formula are bands alike. Desirability d (after Derringer & Suich 1980, J. Qual.
Technol. 12, 214–219) is 1 inside the good limits and falls in a line to 0.15 at a hard one; beyond it goes on towards
0.02 over one width more, so that two that are held can still be told apart.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from enum import StrEnum
from typing import Protocol, TypeVar

from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.words import number_word

AT_WALL = 0.15  # desirability at a hard limit
AT_WORST = 0.02
EDGE = 1e-9  # by how much a limit may be missed in arithmetic alone


class Status(StrEnum):
    """How a value stands on its band."""

    PASS = "pass"
    CLOSE = "close"
    HELD = "held"
    UNKNOWN = "unknown"


WORST_FIRST = (Status.HELD, Status.CLOSE, Status.UNKNOWN, Status.PASS)


@dataclass(frozen=True, slots=True)
class Band:
    """Limits in one unit: hard low ≤ good low ≤ good high ≤ hard high; the outer ones may be infinite."""

    hard_low: float
    good_low: float
    good_high: float
    hard_high: float

    def __post_init__(self) -> None:
        limits = self.limits
        if any(map(math.isnan, limits)) or list(limits) != sorted(limits):
            raise BadInputError(
                f"the limits {', '.join(f'{x:g}' for x in limits)} are out of order",
                right="they must rise: hard low, good low, good high, hard high",
            )

    @property
    def limits(self) -> tuple[float, float, float, float]:
        """The four limits, rising."""
        return self.hard_low, self.good_low, self.good_high, self.hard_high

    def status(self, value: float) -> Status:
        """Return pass inside the good band, close between it and the hard limits, held outside."""
        if self.distance(value) == 0:
            return Status.PASS
        inside = self.hard_low - EDGE <= value <= self.hard_high + EDGE
        return Status.CLOSE if inside else Status.HELD

    def distance(self, value: float) -> float:
        """Return how far `value` is from the good band, in its unit: negative short, positive over, 0 inside.

        >>> Band(2, 4, 10, 16).distance(3), Band(2, 4, 10, 16).distance(12)
        (-1, 2)
        """
        if self.good_low - EDGE <= value <= self.good_high + EDGE:
            return 0.0
        return value - (self.good_low if value < self.good_low else self.good_high)

    def desirability(self, value: float) -> float:
        """Return d, 0.02–1, of `value`.

        >>> Band(2, 4, 10, 16).desirability(5.0), Band(2, 4, 10, 16).desirability(3.0)
        (1.0, 0.575)
        """
        if self.distance(value) == 0:
            return 1.0
        low = value < self.good_low
        edge, wall = (self.good_low, self.hard_low) if low else (self.good_high, self.hard_high)
        if math.isinf(wall):
            return 1.0
        width = abs(edge - wall) or abs(self.good_high - self.good_low) or 1.0
        beyond = -1.0 if wall == edge else (value - wall) / (edge - wall)
        if beyond >= 0:
            return AT_WALL + (1 - AT_WALL) * beyond
        return max(AT_WORST, AT_WALL - (AT_WALL - AT_WORST) * abs(value - wall) / width)


class Standing(Protocol):
    """Something that stands on a band: its status, how far off it is, and what it is called in a sentence."""

    @property
    def status(self) -> Status:
        """How it stands."""

    @property
    def off_by(self) -> float:
        """How far it is from good, in widths of its own band; 0 where that says nothing."""

    @property
    def called(self) -> str:
        """What it is called in a sentence."""


StandingT = TypeVar("StandingT", bound=Standing)


def worst_first(items: Iterable[StandingT]) -> tuple[StandingT, ...]:
    """Return `items` with what holds first: held, close, unknown, passes; of one status the farther off earlier."""
    return tuple(sorted(items, key=lambda i: (WORST_FIRST.index(i.status), -abs(i.off_by))))


def state_sentence(items: Sequence[Standing]) -> str:
    """Return how all of `items` stand in one plain sentence, worst first: "Held by 2 of 11: fibre, grit."."""
    by = {status: [i.called for i in items if i.status is status] for status in Status}
    held, close, unknown = by[Status.HELD], by[Status.CLOSE], by[Status.UNKNOWN]
    if held:
        return f"Held by {len(held)} of {len(items)}: {', '.join(held)}."
    if not close and not by[Status.PASS]:
        return "Nothing can be judged yet."
    sentences = ["Nothing holds it."]
    if close:
        sentences.append(f"{_counted(close, 'is', 'are')} close: {', '.join(close)}.")
    if unknown:
        sentences.append(f"{_counted(unknown, 'cannot', 'cannot')} be judged: {', '.join(unknown)}.")
    return " ".join(sentences)


def _counted(names: Sequence[str], one: str, many: str) -> str:
    return f"{number_word(len(names))} {one if len(names) == 1 else many}"
