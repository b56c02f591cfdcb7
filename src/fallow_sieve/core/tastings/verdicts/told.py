"""A verdict, and the phrases that all verdicts share."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.tastings.permutation import GlobalTest

LEAST_OF_TWO, LEAST = 6, 3
MOST_SAID = 1000


@dataclass(frozen=True, slots=True)
class Verdict:
    """The verdict in words; which sample won by its place (None: none was shown), the test, tasters for next time.

    `tasters_between` is the range of that number by the χ² interval of the spread it rests on, where it has one.
    """

    say: str
    winner: int | None
    test: GlobalTest | None
    tasters_next: int | None
    foot: str
    tasters_between: tuple[int, int] | None = None


def least_tasters(samples: int) -> int:
    """Return the least tasters (a count) with which anything can be said of so many samples."""
    return LEAST_OF_TWO if samples == 2 else LEAST


def too_few(tasters: int, samples: int) -> str:
    """Return what is said under the least number of tasters; both are counts."""
    if tasters < 1:
        return f"Too few to say. Nobody tasted two to compare; {least_tasters(samples)} tasters are the least."
    chance = once_in(1 / math.factorial(samples) ** (tasters - 1))
    return (
        f"Too few to say. With {people(tasters)} even full agreement comes by chance 1 time in {chance}; "
        f"{least_tasters(samples)} are the least."
    )


def once_in(p: float) -> str:
    """Return how many times something of chance `p` (0–1) comes once in, as text."""
    times = round(1 / p)
    return f"over {MOST_SAID:,}" if times > MOST_SAID else str(times)


def by_chance(p: float) -> str:
    """Return the sentence of the global test of p (0–1)."""
    return f"If all were equal, votes this far apart would come 1 time in {once_in(p)}."


def foot_of(tasters: int) -> str:
    """Return the line at the foot of every result of so many tasters (a count)."""
    return f"These {tasters} people; others may differ." if tasters != 1 else "This one person; others may differ."


def people(tasters: int) -> str:
    """Return a count of tasters in words.

    >>> people(1), people(7)
    ('1 taster', '7 tasters')
    """
    return f"{tasters} taster" if tasters == 1 else f"{tasters} tasters"


def listed(names: Sequence[str]) -> str:
    """Return names as a list in a sentence, without unit.

    >>> listed(["A", "B", "C"])
    'A, B and C'
    """
    return " and ".join([", ".join(names[:-1]), names[-1]]) if len(names) > 1 else names[0]


def no_single_winner(names: Sequence[str], best: int, corrected: dict[int, float], level: float) -> str:
    """Return the words where samples differ and none won; `corrected` holds p (0–1) of each other against the best."""
    behind = [names[j] for j, p in corrected.items() if p <= level]
    near = [names[j] for j in range(len(names)) if j == best or corrected[j] > level]
    if not behind:
        return "They differ, no single winner: which ones, this table cannot say."
    return f"They differ, no single winner. {listed(near)} could not be told apart. Left behind: {', '.join(behind)}."
