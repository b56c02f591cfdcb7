"""Saving a row that two people may edit: only on the version that it was read with."""

from __future__ import annotations

from typing import Any, Protocol

from sqlmodel import Session

from fallow_sieve.store.errors import StaleSaveError


class Versioned(Protocol):
    """A row with a version that rises with each save."""

    version: int

    def model_dump(self) -> dict[str, Any]:
        """Return the row's values by name."""
        ...


def save_versioned(session: Session, row: Versioned, values: dict[str, Any], version: int) -> None:
    """Save `values` to `row` if `version` is its current one, else raise StaleSaveError with both versions."""
    if row.version != version:
        raise StaleSaveError(row.model_dump(), values)
    for name, value in values.items():
        setattr(row, name, value)
    row.version += 1
    session.add(row)
