"""Days as text in files and requests: YYYY-MM-DD."""

from __future__ import annotations

from datetime import date
from typing import Annotated

from pydantic import Field

from fallow_sieve.core.values import BadInputError, shown

Day = Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")]


def day_of(text: str | None, place: str) -> date | None:
    """Return the day of a text, None for none. Raises BadInputError at `place` where there is no such day."""
    if not text:
        return None
    try:
        return date.fromisoformat(text)
    except ValueError as error:
        raise BadInputError(f"the day {shown(text)}", place=place, right="as 2026-11-28") from error
