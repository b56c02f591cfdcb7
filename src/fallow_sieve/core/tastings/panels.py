"""A panel: what is tasted, by whom, how it is asked; and where it stands."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from datetime import datetime
from enum import StrEnum
from itertools import combinations

from fallow_sieve.core.tastings.answers import Method
from fallow_sieve.core.tastings.avoiding import Avoids, Holds, Leaving
from fallow_sieve.core.tastings.orders import Order
from fallow_sieve.core.values import BadInputError

LEAST_SAMPLES, MOST_SAMPLES, ADVISED = 2, 8, 5
MOST_ATTRIBUTES, MOST_WORDS, LONGEST_COMMENT = 3, 12, 140
MOST_SEATS = 60
AGES_APART_H = 2.0
OF_TWO = frozenset({Method.PAIRED, Method.TWO_AFC, Method.TRIANGLE, Method.TETRAD})


class Stage(StrEnum):
    """Where a panel stands; it only goes forward."""

    SETTING = "setting"
    OPEN = "open"
    CLOSED = "closed"
    UNBLINDED = "unblinded"


@dataclass(frozen=True, slots=True)
class Sample:
    """What is tasted, by its number on this table: a trial (its id) or a bought product (its bag), and what it holds.

    `made_at` is ISO or empty where unknown, `refused` why it must not be tasted (empty: it may).
    """

    number: int
    kind: str
    about: int | None
    name: str
    because: str = ""
    holds: Holds = field(default_factory=Holds)
    made_at: str = ""
    lot: str = ""
    refused: str = ""


@dataclass(frozen=True, slots=True)
class Asked:
    """The questions: the main one, and beside it what is to change, words and a comment; what was set beforehand."""

    main: Method = Method.LIKING
    attribute: str = ""
    just_right: tuple[str, ...] = ()
    words: tuple[str, ...] = ()
    comment: bool = False
    worth: float = 1.0
    margin: float | None = None
    new: int | None = None
    looks: int = 1
    warm_up: bool = False


@dataclass(frozen=True, slots=True)
class Seat:
    """A place at the table: who sits there (empty: anonymous), what they avoid, what is left out, in which order."""

    number: int
    name: str = ""
    avoids: Avoids = field(default_factory=Avoids)
    leaving: Leaving = field(default_factory=Leaving)
    order: Order = ()  # of plates
    dropped: str = ""
    handed_in_at: str = ""
    asked: bool = True


def check_table(samples: Sequence[Sample], asked: Asked) -> None:
    """Raise BadInputError where a table cannot be set so: too few or many samples, a refused one, too much asked."""
    _check_count(samples, asked)
    for s in samples:
        if s.refused:
            raise BadInputError(f"{s.name}: {s.refused}", place=f"/samples/{s.number}", right="leave it out")
    if len(asked.just_right) > MOST_ATTRIBUTES or len(asked.words) > MOST_WORDS:
        right = f"at most {MOST_ATTRIBUTES} attributes and {MOST_WORDS} words: people tire"
        raise BadInputError("too much asked", place="/asked", right=right)
    if asked.main is Method.TWO_AFC and not asked.attribute:
        raise BadInputError("of what there is more", place="/asked/attribute", right="name it, as “sweet”")
    if asked.main is Method.TWO_AFC and asked.new not in {s.number for s in samples}:
        raise BadInputError("which one should have more", place="/asked/new", right="name that sample")
    if asked.main is Method.WORDS and not asked.words:
        raise BadInputError("no words to tick", place="/asked/words", right="give some, as “crumbly”")
    if asked.margin is not None and asked.new not in {s.number for s in samples}:
        raise BadInputError("a margin of which sample", place="/asked/new", right="name the new one")


def _check_count(samples: Sequence[Sample], asked: Asked) -> None:
    if not LEAST_SAMPLES <= len(samples) <= MOST_SAMPLES:
        wrong = f"{len(samples)} on the table"
        raise BadInputError(wrong, place="/samples", right=f"{LEAST_SAMPLES} to {MOST_SAMPLES} samples")
    if asked.main in OF_TWO and len(samples) != LEAST_SAMPLES:
        raise BadInputError(f"{asked.main} of {len(samples)}", place="/samples", right="it compares two")


def warnings_of(samples: Sequence[Sample]) -> list[str]:
    """Return what to think of before serving, in sentences: many samples, ages apart, unknown ages."""
    found = []
    if len(samples) > ADVISED:
        found.append(f"{len(samples)} samples: palates tire after about {ADVISED}.")
    times = [(s.name, datetime.fromisoformat(s.made_at)) for s in samples if s.made_at]
    for (a, x), (b, y) in combinations(times, 2):
        hours = abs((x - y).total_seconds()) / 3600
        if hours > AGES_APART_H:
            found.append(f"{a} and {b} are {hours:.0f} h apart in age: what differs may be that alone.")
            break
    return found
