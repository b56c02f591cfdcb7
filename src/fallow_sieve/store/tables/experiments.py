"""Experiments: what is varied of a formula's blend between which limits, and the bakes that were planned and made."""

from __future__ import annotations

from typing import Any

from sqlalchemy import JSON
from sqlmodel import Field, SQLModel


class ExperimentRow(SQLModel, table=True):
    """An experiment on a formula as it was: parts, limits, walls, bakes and days wanted, the response and its unit.

    `formula_id` names the document, `content` its formula with the blend it began with; `blend_id` is the blend that
    its bakes are kept under, once there are any.
    """

    __tablename__ = "experiment"

    id: int | None = Field(default=None, primary_key=True)
    name: str
    formula_id: int = Field(foreign_key="formula.id", index=True)
    content: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    asked: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    blend_id: int | None = Field(default=None, foreign_key="blend.id")
    note: str = ""
    archived: bool = False
    created_at: str
    updated_at: str
    version: int = 1


class ExperimentRunRow(SQLModel, table=True):
    """A bake of an experiment: its day and place, its shares, its trial, and what came out where it was typed in."""

    __tablename__ = "experiment_run"

    experiment_id: int = Field(foreign_key="experiment.id", primary_key=True)
    number: int = Field(primary_key=True)
    day: int
    x: list[float] = Field(default_factory=list, sa_type=JSON, nullable=False)
    replicate_of: int | None = None
    asked_by: str = "plan"
    trial_id: int | None = Field(default=None, foreign_key="trial.id")
    value: float | None = None
    se: float | None = None
    failed: bool = False
    seen: str = ""
