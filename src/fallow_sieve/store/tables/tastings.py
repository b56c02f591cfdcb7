"""Tastings: a table with its samples, its seats, what they answered, and what was done that bears on the result.

Logs are never changed or deleted; answers are frozen once a table was unblinded: triggers in the database refuse it.
"""

from __future__ import annotations

from typing import Any

from sqlalchemy import JSON, UniqueConstraint
from sqlmodel import Field, SQLModel


class TastingRow(SQLModel, table=True):
    """A table: what is asked of which samples, the plates with their codes once it is open, and how far it is."""

    __tablename__ = "tasting"

    id: int | None = Field(default=None, primary_key=True)
    name: str
    stage: str = "setting"
    samples: list[dict[str, Any]] = Field(default_factory=list, sa_type=JSON, nullable=False)
    asked: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    plates: list[list[int]] = Field(default_factory=list, sa_type=JSON, nullable=False)
    note: str = ""
    archived: bool = False
    created_at: str
    updated_at: str
    opened_at: str = ""
    closed_at: str = ""
    unblinded_at: str = ""
    unblinded_by: str = ""
    version: int = 1


class SeatRow(SQLModel, table=True):
    """A seat: who sits there, what they avoid, what is left out or lifted, the plates in their order."""

    __tablename__ = "seat"
    __table_args__ = (UniqueConstraint("tasting_id", "number"),)

    id: int | None = Field(default=None, primary_key=True)
    tasting_id: int = Field(foreign_key="tasting.id", index=True)
    number: int
    name: str = ""
    avoids: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    left_out: list[int] = Field(default_factory=list, sa_type=JSON, nullable=False)
    lifted: dict[str, str] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    plates: list[int] = Field(default_factory=list, sa_type=JSON, nullable=False)
    asked: bool = True
    begun_at: str = ""
    handed_in_at: str = ""
    dropped: str = ""


class SeatAnswerRow(SQLModel, table=True):
    """One answer of a seat: of a plate (0: of the table), by method and attribute. Late ones are kept, not counted."""

    __tablename__ = "seat_answer"

    seat_id: int = Field(foreign_key="seat.id", primary_key=True)
    plate: int = Field(primary_key=True)
    method: str = Field(primary_key=True)
    attribute: str = Field(default="", primary_key=True)
    late: bool = Field(default=False, primary_key=True)
    value: float | None = None
    text: str = ""
    at: str


class TastingLogRow(SQLModel, table=True):
    """What was done at a table that bears on its result: by whom, when, what, why."""

    __tablename__ = "tasting_log"

    id: int | None = Field(default=None, primary_key=True)
    tasting_id: int = Field(foreign_key="tasting.id", index=True)
    at: str
    what: str
    who: str = ""
    detail: str = ""
