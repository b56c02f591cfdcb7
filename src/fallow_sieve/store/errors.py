"""What can go wrong with records.

FallowSieveError
├── NotFoundError      no such record
├── InUseError         a record that others rest on; it cannot be deleted
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


class StaleSaveError(FallowSieveError):
    """A save was based on a version that is no longer the current one: `current` and `submitted` are both here."""

    def __init__(self, current: dict[str, Any], submitted: dict[str, Any]) -> None:
        self.current = current
        self.submitted = submitted
        super().__init__("someone saved this in between; nothing was overwritten")
