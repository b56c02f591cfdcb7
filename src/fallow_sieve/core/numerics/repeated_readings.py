"""Repeated measurements: their mean, its 95 % interval, and the verdict against what the table says.

Student's t for small counts (W. S. Gosset, 1908); an interval is never narrower than the scale can tell apart.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.values import BadInputError, Range

LEAST_READINGS = 2
MOST_READINGS = 30


@dataclass(frozen=True, slots=True)
class Measured:
    """A repeated measurement in its unit: readings, mean, standard deviation, and two 95 % half-widths.

    `half_width` is of the mean; `next_half_width` says where one more reading would fall.
    """

    readings: tuple[float, ...]
    mean: float
    sd: float
    half_width: float
    next_half_width: float

    @property
    def range(self) -> Range:
        """The mean with its 95 % interval, never below 0."""
        return Range(max(0.0, self.mean - self.half_width), self.mean, self.mean + self.half_width)

    @property
    def range_of_next(self) -> Range:
        """Where one more reading would fall 19 times in 20, never below 0."""
        return Range(max(0.0, self.mean - self.next_half_width), self.mean, self.mean + self.next_half_width)


def t_95(readings: int) -> float:
    """Return Student's two-sided 95 % quantile for a mean of so many `readings` (two at least).

    >>> round(t_95(3), 3)
    4.303
    """
    from scipy.special import stdtrit  # loaded when a spread is first asked for

    return float(stdtrit(readings - 1, 0.975))


def measured(readings: Sequence[float], resolution: float = 0.0) -> Measured:
    """Return what `readings` (two at least, in one unit) tell; `resolution` is the least half-width, in that unit.

    Raises BadInputError for too few or too many readings, or one that is not finite.
    """
    if not LEAST_READINGS <= len(readings) <= MOST_READINGS:
        raise BadInputError(
            f"{len(readings)} readings",
            place="/readings",
            right=f"from {LEAST_READINGS} to {MOST_READINGS}, three or more best",
        )
    if not all(map(math.isfinite, readings)):
        raise BadInputError("a reading that is no number", place="/readings", right="take it again")
    n, mean = len(readings), math.fsum(readings) / len(readings)
    sd = math.sqrt(math.fsum((r - mean) ** 2 for r in readings) / (n - 1))
    half = t_95(n) * sd / math.sqrt(n)
    ahead = t_95(n) * sd * math.sqrt(1 + 1 / n)
    return Measured(tuple(readings), mean, sd, max(half, resolution), max(ahead, resolution))


@dataclass(frozen=True, slots=True)
class Verdict:
    """How a measurement stands to what was taken so far: `same`, `more`, `less` or `new`, by how many %, in words."""

    kind: str
    by_pct: float | None
    say: str


def verdict(found: Range, typical: float | None, more: str, less: str, value: str) -> Verdict:
    """Return how `found` stands to a `typical` value, both in one unit.

    `more` and `less` are what a difference means ("takes {} more water"), `value` is the number in words. A
    difference inside the interval is none.
    """
    if typical is None or typical <= 0:
        return Verdict("new", None, f"There was no number to compare with: {value}.")
    by_pct = 100 * (found.typical - typical) / typical
    if found.low <= typical <= found.high:
        return Verdict("same", by_pct, f"Your bag is like the typical one, as far as this can tell: {value}.")
    words = more if by_pct > 0 else less
    return Verdict(
        "more" if by_pct > 0 else "less", by_pct, f"Your bag {words.format(f'{abs(by_pct):.0f} %')}: {value}."
    )
