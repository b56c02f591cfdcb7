"""What a seat is asked, page by page: its codes in its own order, and what was answered."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.tastings.answers import Method, plain
from fallow_sieve.core.tastings.panels import LONGEST_COMMENT, OF_TWO, Asked
from fallow_sieve.core.values import BadInputError, shown

LIKING, RANKING, JUST_RIGHT, WORDS, COMMENT = "liking", "ranking", "just-about-right", "words", "comment"
FAR, NEAR = ("far too little", "a little too little"), ("a little too much", "far too much")
STEPS = (*FAR, "just right", *NEAR)
TABLE = 0  # the plate of an answer that is of the whole table: which is preferred, whether it was right
MOST_MARK, MOST_STEP = 9, 5


@dataclass(frozen=True, slots=True)
class Answer:
    """One answer of a seat: of a plate (0: of the table), by method and attribute; a value, a text or not tasted.

    The value of a choice is the number of the plate: the preferred, the odd one, the one with more, the partner of the
    first; 0 is neither.
    """

    plate: int
    method: str
    attribute: str = ""
    value: float | None = None
    text: str = ""


Key = tuple[int, str, str]


def key_of(a: Answer) -> Key:
    """Return by what an answer replaces an earlier one: plate, method, attribute (no unit)."""
    return a.plate, a.method, plain(a.attribute)


def check_answer(a: Answer, asked: Asked, plates: Sequence[int]) -> Answer:
    """Return an answer as it is kept. Raises BadInputError where nothing so was asked, or it is out of its scale.

    `plates` are the numbers of the seat's own plates.
    """
    if a.plate != TABLE and a.plate not in plates:
        raise BadInputError("a plate that is not this seat's", place="/plate", right="one of its codes")
    if a.value is not None and a.value not in _allowed(a, asked, plates):
        allowed = sorted(_allowed(a, asked, plates))
        right = f"{allowed[0]:g} to {allowed[-1]:g}" if allowed else "words alone"
        raise BadInputError(f"the answer {a.value:g}", place="/value", right=right)
    if len(a.text) > LONGEST_COMMENT:
        raise BadInputError("a long comment", place="/text", right=f"at most {LONGEST_COMMENT} characters")
    _allowed(a, asked, plates)
    return a


def _allowed(a: Answer, asked: Asked, plates: Sequence[int]) -> set[float]:
    """The values that may be answered. Raises BadInputError where it was not asked."""
    of_one = a.plate != TABLE
    if of_one and a.method == LIKING and Method.LIKING in (asked.main, *([Method.LIKING] if asked.just_right else [])):
        return _up_to(1, MOST_MARK)
    if of_one and a.method == JUST_RIGHT and plain(a.attribute) in map(plain, asked.just_right):
        return _up_to(1, MOST_STEP)
    if of_one and a.method == WORDS and plain(a.attribute) in map(plain, asked.words):
        return {0.0, 1.0}
    if of_one and a.method == COMMENT and asked.comment:
        return set()
    if of_one and a.method == RANKING and asked.main is Method.RANKING:
        return _up_to(1, len(plates))
    if not of_one and a.method == asked.main and asked.main in OF_TWO:
        return {float(p) for p in plates} | ({0.0} if asked.main is Method.PAIRED else set())
    raise BadInputError(f"the question {shown(a.method)}", place="/method", right="what this panel asks")


def _up_to(low: int, high: int) -> set[float]:
    return {float(v) for v in range(low, high + 1)}


def is_done(plate: int, asked: Asked, given: Mapping[Key, Answer]) -> bool:
    """Return whether a plate's main question is answered, so that its slice is full."""
    if asked.main in OF_TWO:
        return any(k[0] == TABLE for k in given)
    return any(k[0] == plate and k[1] == asked.main for k in given)


def word_order(words: Sequence[str], panel: int, seat: int) -> list[str]:
    """Return the words as this seat sees them, in an order of its own that stays."""
    order = np.random.default_rng([panel, seat]).permutation(len(words))
    return [words[n] for n in order]
