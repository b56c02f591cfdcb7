"""Every error the core raises, in one tree.

FallowSieveError
└── BadInputError (also a ValueError)      what was given cannot be used; says where and what would be right
    ├── UnknownNameError (also a LookupError)   a slug, use, metric or unit that is not known; suggests the nearest
    └── QuantityError                      a number with a unit that cannot be read or is out of its range
"""

from __future__ import annotations

from collections.abc import Iterable
from difflib import get_close_matches


class FallowSieveError(Exception):
    """The base of all errors that Fallow Sieve raises on purpose."""


class BadInputError(FallowSieveError, ValueError):
    """Something given cannot be used: `wrong` says what, `place` where, `right` what would do."""

    def __init__(self, wrong: str, *, place: str = "", right: str = "") -> None:
        self.wrong = wrong
        self.place = place
        self.right = right
        super().__init__(self._message())

    def _message(self) -> str:
        where = f"{self.place}: " if self.place else ""
        hint = f"; {self.right}" if self.right else ""
        return f"{where}{self.wrong}{hint}"

    def at(self, place: str) -> BadInputError:
        """Return the same error, naming `place` in front of where it already points."""
        moved = type(self).__new__(type(self))
        BadInputError.__init__(moved, self.wrong, place=place + self.place, right=self.right)
        return moved


class UnknownNameError(BadInputError, LookupError):
    """A name that is not in its list; the message suggests the nearest names."""

    def __init__(self, kind: str, name: str, known: Iterable[str], *, place: str = "") -> None:
        near = nearest_names(name, known)
        right = f"did you mean {' or '.join(near)}?" if near else f"see the list of known names for {kind}"
        super().__init__(f"unknown {kind} {shown(name)}", place=place, right=right)


class QuantityError(BadInputError):
    """A quantity that cannot be read, has the wrong unit, or lies outside what is possible."""


def shown(value: object, limit: int = 60) -> str:
    """Return `value` in quotes for a message, cut to `limit` characters."""
    text = repr(value)
    return text if len(text) <= limit else text[: limit - 1] + "…"


def nearest_names(name: str, known: Iterable[str], count: int = 3) -> list[str]:
    """Return up to `count` names of `known` that look most like `name`, the nearest first."""
    names = sorted(set(known))
    wanted = name.strip().lower().replace(" ", "-").replace("_", "-")[:80]
    close = get_close_matches(wanted, names, n=count, cutoff=0.6)
    within = [other for other in names if wanted and wanted in other and other not in close]
    return (close + within)[:count]
