"""What can go wrong with records.

FallowSieveError
├── NotFoundError      no such record
├── UnusableError      a file that is no database of ours, or cannot be read or written
└── StaleSaveError     the record was saved by someone else in between; carries both versions
"""

from __future__ import annotations

from typing import Any

from fallow_sieve.core.errors import FallowSieveError


class NotFoundError(FallowSieveError, LookupError):
    """There is no such record."""

    def __init__(self, kind: str, key: object) -> None:
        super().__init__(f"there is no {kind} {key!r}")


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
