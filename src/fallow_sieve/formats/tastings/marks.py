"""What stands in a cell of answers: a mark, a place, yes or no; as people write them."""

from __future__ import annotations

import re

from fallow_sieve.core.tastings.answers import LADDER
from fallow_sieve.core.values import BadInputError, shown

NOT_TASTED = frozenset({"", "-", "–", "—", "n/a", "na", "not tasted", "none", "."})
_NUMBER = re.compile(r"[-−+]?\d{1,6}(?:[.,]\d{1,6})?")
_OF = re.compile(r"(\d(?:[.,]\d+)?)\s*(?:/|of|out of)\s*9")
_PLACE = re.compile(r"(\d{1,2}(?:[.,]\d)?)\s*(?:st|nd|rd|th|\.|=)?")
_YES = frozenset({"1", "1.0", "yes", "y", "x", "✓", "true", "right", "correct", "ja", "oui", "sí", "si", "ok"})
_NO = frozenset({"0", "0.0", "no", "n", "✗", "false", "wrong", "incorrect", "nein", "non", ""})
LEAST, MOST = 1.0, 9.0


def is_number(text: str) -> bool:
    """Return whether a text is a plain number, with a point or a comma.

    >>> is_number("7,5"), is_number("nice")
    (True, False)
    """
    return bool(_NUMBER.fullmatch(text.strip()))


def is_mark(text: str) -> bool:
    """Return whether a text is a number, a mark out of nine, or a word of the ladder."""
    plain = " ".join(text.casefold().split())
    return is_number(plain) or plain in LADDER or bool(_OF.fullmatch(plain))


def liking(text: str, place: str) -> float | None:
    """Return a mark of liking (points 1–9): a number, `8/9` or the ladder's words; None was not tasted.

    Raises BadInputError at `place`.
    """
    plain = " ".join(text.casefold().split())
    if plain in NOT_TASTED:
        return None
    if plain in LADDER:
        return float(LADDER.index(plain) + 1)
    of = _OF.fullmatch(plain)
    if of or is_number(plain):
        value = number(of[1] if of else plain)
        if LEAST <= value <= MOST:
            return value
    right = "1 (dislike extremely) to 9 (like extremely), or - where it was not tasted"
    raise BadInputError(f"the liking {shown(text)}", place=place, right=right)


def place_in_order(text: str, samples: int, place: str) -> float | None:
    """Return a place (1 the best, at most `samples`), without unit; None was not tasted. Raises BadInputError."""
    plain = text.casefold().strip()
    if plain in NOT_TASTED:
        return None
    found = _PLACE.fullmatch(plain)
    if found and 1 <= number(found[1]) <= samples:
        return number(found[1])
    raise BadInputError(f"the place {shown(text)}", place=place, right=f"1 (the best) to {samples}; ties are allowed")


def number(text: str) -> float:
    """Return a number written with a point or a comma, without unit; ValueError where it is none."""
    return float(text.strip().replace(",", ".").replace("−", "-"))


def is_yes(text: str) -> bool | None:
    """Return whether a text says yes, no, or neither (None)."""
    plain = text.casefold().strip()
    return True if plain in _YES else False if plain in _NO else None


def right_answer(text: str, place: str) -> bool | None:
    """Return whether an answer was right; None was not tasted. Raises BadInputError at `place`."""
    if text.casefold().strip() in NOT_TASTED:
        return None
    found = is_yes(text)
    if found is None:
        raise BadInputError(f"the answer {shown(text)}", place=place, right="right or wrong, yes or no, 1 or 0")
    return found
