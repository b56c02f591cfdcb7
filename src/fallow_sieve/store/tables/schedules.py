"""Schedules: a plan file in draft and revisions; where the kitchen works; its starters; rises that ended."""

from __future__ import annotations

from typing import Any

from sqlalchemy import JSON, Column, ForeignKey, Integer, UniqueConstraint
from sqlmodel import Field, SQLModel

from fallow_sieve.store.tables.columns import DraftColumns, HeadColumns, RevisionColumns


class ScheduleRow(HeadColumns, table=True):
    """The head of a schedule."""

    __tablename__ = "schedule"


class ScheduleDraftRow(DraftColumns, table=True):
    """A schedule as it stands, what is done of it and read of it with it."""

    __tablename__ = "schedule_draft"

    schedule_id: int = Field(sa_column=Column(Integer, ForeignKey("schedule.id"), primary_key=True))


class ScheduleRevisionRow(RevisionColumns, table=True):
    """A kept state of a schedule."""

    __tablename__ = "schedule_revision"
    __table_args__ = (UniqueConstraint("schedule_id", "number", name="uq_schedule_revision_schedule_id_number"),)

    schedule_id: int = Field(foreign_key="schedule.id", index=True)


class WorkplaceRow(SQLModel, table=True):
    """Where the kitchen works: its zone, hours, ovens and temperatures; one row."""

    __tablename__ = "workplace"

    id: int = Field(default=1, primary_key=True)
    zone: str = ""
    content: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    version: int = 1


class ObservationRow(SQLModel, table=True):
    """What a plan taught: a rise (hours at 26 °C), a dough (°C) or an oven (minutes), as expected and as it was.

    One that was a slip is withdrawn, not deleted.
    """

    __tablename__ = "observation"

    id: int | None = Field(default=None, primary_key=True)
    schedule_id: int | None = Field(default=None, foreign_key="schedule.id", index=True)
    learner: str
    use: str
    formula: str
    step: str
    expected: float
    seen: float
    seen_at: str
    withdrawn: bool = False


class StarterRow(SQLModel, table=True):
    """A starter that the kitchen keeps: its name, and how it is built."""

    __tablename__ = "starter"

    id: int | None = Field(default=None, primary_key=True)
    name: str
    school: str = "liquid leaven"
    archived: bool = False
    created_at: str
    version: int = 1


class FeedingRow(SQLModel, table=True):
    """A feeding of a starter: g of seed, flour and water, °C, when; when it peaked and when it went into the cold."""

    __tablename__ = "feeding"

    id: int | None = Field(default=None, primary_key=True)
    starter_id: int = Field(foreign_key="starter.id", index=True)
    fed_at: str
    seed_g: float
    flour_g: float
    water_g: float
    temp_c: float
    peaked_at: str | None = None
    chilled_at: str | None = None
    note: str = ""
    withdrawn: bool = False
