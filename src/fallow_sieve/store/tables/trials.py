"""Trials: a bake with its frozen plan, what was read of it, its photos, steps from one to the next, sheets handed out.

Trials, readings and steps are never deleted, readings only taken back: triggers in the database refuse the rest.
"""

from __future__ import annotations

from typing import Any

from sqlalchemy import JSON
from sqlmodel import Field, SQLModel


class TrialRow(SQLModel, table=True):
    """A bake of one formula revision: the formula as it was, its plan, why, whose dough it was, and by what it counts.

    `blend`, `use` and `family` are what learning goes by. `set_aside` is shown and not learnt from,
    `withdrawn` was begun and undone before anything was noted: it is shown nowhere.
    """

    __tablename__ = "trial"

    id: int | None = Field(default=None, primary_key=True)
    formula_id: int = Field(foreign_key="formula.id", index=True)
    formula_revision: int | None = None
    name: str
    content: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    plan: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    setup: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    because: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    blend: str = ""
    use: str = ""
    family: str = ""
    baked_on: str
    note: str = ""
    parent_id: int | None = Field(default=None, foreign_key="trial.id", index=True)
    dough_of: int | None = Field(default=None, foreign_key="trial.id")
    kept_h: float | None = None
    kept_c: float | None = None
    schedule_id: int | None = Field(default=None, foreign_key="schedule.id")
    set_aside: bool = False
    withdrawn: bool = False
    created_at: str
    updated_at: str
    version: int = 1


class ReadingRow(SQLModel, table=True):
    """One reading of a trial under an id that its writer made; without a value it was as planned."""

    __tablename__ = "reading"

    id: str = Field(primary_key=True)
    trial_id: int = Field(foreign_key="trial.id", index=True)
    quantity: str = Field(index=True)
    value: float | None = None
    arm: str = ""
    method: str = ""
    n: int = 1
    sd: float | None = None
    day: int = 0
    at: str
    replaces: str = ""
    withdrawn: bool = False


class PhotoRow(SQLModel, table=True):
    """A photo of a trial at a moment, re-encoded without what its camera wrote, and its thumbnail."""

    __tablename__ = "photo"

    id: str = Field(primary_key=True)
    trial_id: int = Field(foreign_key="trial.id", index=True)
    moment: str
    arm: str = ""
    picture: bytes
    thumbnail: bytes
    width: int
    height: int
    at: str


class StepRow(SQLModel, table=True):
    """From one trial to the next: the fault and cause whose change was tried, and what a hand says was found."""

    __tablename__ = "step"

    id: int | None = Field(default=None, primary_key=True)
    from_trial: int = Field(foreign_key="trial.id", index=True)
    to_trial: int = Field(foreign_key="trial.id", index=True)
    fault: str = ""
    cause: str = ""
    change: str = ""
    found_by_hand: str = ""
    created_at: str


class SheetRow(SQLModel, table=True):
    """A sheet that was handed out: of what, under which token (only its hash is kept), and until when."""

    __tablename__ = "sheet"

    token_hash: str = Field(primary_key=True)
    kind: str
    about_id: int
    created_at: str
    ends_at: str
