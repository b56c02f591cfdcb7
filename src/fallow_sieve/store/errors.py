"""What can go wrong with records.

FallowSieveError
├── NotFoundError      no such record
└── StaleSaveError     the record was saved by someone else in between; carries both versions
"""

from __future__ import annotations

from typing import Any

from fallow_sieve.core.errors import FallowSieveError


class NotFoundError(FallowSieveError, LookupError):
    """There is no such record."""

    def __init__(self, kind: str, key: object) -> None:
        super().__init__(f"there is no {kind} {key!r}")


class StaleSaveError(FallowSieveError):
    """A save was based on a version that is no longer the current one: `current` and `submitted` are both here."""

    def __init__(self, current: dict[str, Any], submitted: dict[str, Any]) -> None:
        self.current = current
        self.submitted = submitted
        super().__init__("someone saved this in between; nothing was overwritten")
