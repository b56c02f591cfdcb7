"""What can go wrong with records.

FallowSieveError
├── NotFoundError      no such record
├── InUseError         a record that others rest on; it cannot be deleted
├── OtherReadingError  another reading stands under that id
├── BusyError          others write, and one's turn did not come
├── ReplacedError      the kitchen's file was put away while it was served
├── UnusableError      a file that is no database of ours, or cannot be read or written
└── StaleSaveError     the record was saved by someone else in between; carries both versions
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from fallow_sieve.core.values import FallowSieveError


class NotFoundError(FallowSieveError, LookupError):
    """There is no such record."""

    def __init__(self, kind: str, key: object) -> None:
        super().__init__(f"there is no {kind} {key!r}")


class InUseError(FallowSieveError):
    """A record cannot be deleted, because others rest on it."""

    def __init__(self, what: str, users: Sequence[str]) -> None:
        shown = ", ".join(users[:3]) + (f" and {len(users) - 3} more" if len(users) > 3 else "")
        super().__init__(f"{what} is used by {shown}; put it away instead: then it is offered no more, and stays there")


class UnusableError(FallowSieveError):
    """A database that cannot be opened: not one of ours, from a newer version, or not to be read or written."""

    def __init__(self, path: object, why: str) -> None:
        super().__init__(f"the database {str(path)!r} cannot be used: {why}")


class OtherReadingError(FallowSieveError):
    """A reading comes under an id that another one has: neither takes the other's place."""

    def __init__(self, reading_id: str) -> None:
        super().__init__(f"another reading stands under {reading_id!r}; give the new one an id of its own")


class BusyError(FallowSieveError):
    """Others were writing all the while."""

    def __init__(self) -> None:
        super().__init__("others are saving; nothing was saved, nothing was lost: try again in a moment")


class ReplacedError(FallowSieveError):
    """Another file lies where the kitchen's did: what is written now would be written to the one put away."""

    def __init__(self, path: object) -> None:
        super().__init__(f"the file {str(path)!r} was replaced while it was served; nothing was saved: start it again")


class StaleSaveError(FallowSieveError):
    """A save was based on a version that is no longer the current one: `current` and `submitted` are both here."""

    def __init__(self, current: dict[str, Any], submitted: dict[str, Any]) -> None:
        self.current = current
        self.submitted = submitted
        super().__init__("someone saved this in between; nothing was overwritten")
