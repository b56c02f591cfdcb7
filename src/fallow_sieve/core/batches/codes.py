"""The code of a batch: year, day of the year, number of that day, and a character that shows every slip.

An alphabet of 31 leaves out I, L, O, S and U, which are read as 1, 1, 0, 5 and V. Check: p ← (p + a)·3 mod 31 over the
characters, then (32 − p) mod 31. 31 is prime and 3 a primitive root of it, so that every single slip and every swap of
two neighbours changes the check.
"""

from __future__ import annotations

import re
import unicodedata
from dataclasses import dataclass
from datetime import date

from fallow_sieve.core.values import BadInputError, shown

ALPHABET = "0123456789ABCDEFGHJKMNPQRTVWXYZ"
LOOK_ALIKES = str.maketrans({"I": "1", "L": "1", "O": "0", "S": "5", "U": "V"})
MOST_OWN = 3
MOST_A_DAY = 999
DAYS_OF_A_LEAP_YEAR = 366
_FORM = re.compile(rf"([A-Z]{{0,{MOST_OWN}}})([0-9]{{2}})([0-9]{{3}})([1-9][0-9]{{0,2}})([0-9A-Z])")
_BETWEEN = re.compile(r"[\s\-‐‑‒–—_.]+")
_PARTS = 3


@dataclass(frozen=True, slots=True)
class ReadCode:
    """A code as it was typed, read: how it is meant, whether its check holds, and the number of a bag (None: none)."""

    code: str
    valid: bool
    bag: int | None = None


def check_character(body: str) -> str:
    """Return the check of `body`, characters of ALPHABET.

    >>> check_character("263322")
    'Q'
    """
    p = 0
    for character in body:
        p = (p + ALPHABET.index(character)) * 3 % len(ALPHABET)
    return ALPHABET[(len(ALPHABET) + 1 - p) % len(ALPHABET)]


def check_own(own: str) -> str:
    """Return the letters that a kitchen puts in front of its codes, as they stand there. Raises BadInputError."""
    mine = own.strip().upper()
    if len(mine) > MOST_OWN or any(c not in ALPHABET[10:] for c in mine):
        right = f"at most {MOST_OWN} letters, none of I, L, O, S, U"
        raise BadInputError(f"{shown(own)} in front of a code", place="/letters", right=right)
    return mine


def batch_code(made_on: date, number: int, own: str = "") -> str:
    """Return the code of the batch `number` (from 1) of the day `made_on`, with up to three letters of one's `own`.

    >>> batch_code(date(2026, 11, 28), 2)
    '26332-2-Q'
    """
    if not 1 <= number <= MOST_A_DAY:
        raise BadInputError(f"batch {number} of a day", place="/number", right=f"from 1 to {MOST_A_DAY}")
    mine = check_own(own)
    body = f"{mine}{made_on:%y}{made_on.timetuple().tm_yday:03d}"
    return f"{body}-{number}-{check_character(f'{body}{number}')}"


def read_code(typed: str) -> ReadCode:
    """Return how a typed code is meant: hyphens, blanks and case do not count, look-alikes are read as what they are.

    >>> read_code("26332-2q"), read_code("27OOI-I-Q/03")
    (ReadCode(code='26332-2-Q', valid=True, bag=None), ReadCode(code='27001-1-Q', valid=True, bag=3))
    """
    plain = unicodedata.normalize("NFKC", typed)  # a keyboard elsewhere types wide digits
    head, _, tail = plain.strip().upper().partition("/")
    bag = int(tail) if tail.strip().isdecimal() and tail.strip().isascii() else None
    meant = _BETWEEN.sub("", head).translate(LOOK_ALIKES)
    found = _FORM.fullmatch(meant)
    if found is None:
        return ReadCode(_grouped(meant), False, bag)
    own, year, day, number, check = found.groups()
    code = f"{own}{year}{day}-{number}-{check}"
    is_day = 1 <= int(day) <= DAYS_OF_A_LEAP_YEAR
    return ReadCode(code, is_day and check in ALPHABET and check_character(meant[:-1]) == check, bag)


def _grouped(meant: str) -> str:
    """A code that cannot be one, in the groups of one, so that it can be compared with the bag."""
    return f"{meant[:5]}-{meant[5:-1]}-{meant[-1]}" if len(meant) > _PARTS + 3 else meant


def bag_code(code: str, number: int) -> str:
    """Return the code of a bag: that of its batch, and its number.

    >>> bag_code("26332-2-Q", 3)
    '26332-2-Q/03'
    """
    return f"{code}/{number:02d}"
