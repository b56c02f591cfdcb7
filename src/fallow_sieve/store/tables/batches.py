"""Batches: what was planned from which revision, every weighing and step, the bags, and the labels that were printed.

Weighings, steps and labels are never changed nor deleted: triggers in the database refuse it.
"""

from __future__ import annotations

from typing import Any

from sqlalchemy import JSON, UniqueConstraint
from sqlmodel import Field, SQLModel


class BatchRow(SQLModel, table=True):
    """A mix made in bulk: the pinned revision with its parts copied, what is wanted, how it is made, its state."""

    __tablename__ = "batch"

    id: int | None = Field(default=None, primary_key=True)
    code: str = Field(default="", index=True)
    blend_id: int | None = Field(default=None, foreign_key="blend.id", index=True)
    revision: int
    name: str
    use: str | None = None
    parts: list[dict[str, Any]] = Field(default_factory=list, sa_type=JSON, nullable=False)
    wanted: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    targets: dict[str, float] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    making: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    state: str = "planned"
    made_on: str = ""
    note: str = ""
    archived: bool = False
    created_at: str
    updated_at: str
    version: int = 1


class WeighingRow(SQLModel, table=True):
    """One weighing of a batch under the key that the device gave it; one that voids another names it, with why.

    With `bag_id` it came out of a bag of an earlier batch: the lot is that which the bag had been drawn from.
    """

    __tablename__ = "weighing"

    id: int | None = Field(default=None, primary_key=True)
    batch_id: int = Field(foreign_key="batch.id", index=True)
    key: str = Field(unique=True)
    ingredient: str
    lot_id: int | None = Field(default=None, foreign_key="lot.id", index=True)
    target_g: float
    tolerance_g: float
    gross_g: float
    tare_g: float
    net_g: float
    scale: str = ""
    step_g: float = 1.0
    typed: bool = False
    at: str
    bag_id: int | None = Field(default=None, foreign_key="bag.id", index=True)
    voids: int | None = Field(default=None, foreign_key="weighing.id")
    why: str = ""


class BatchStepRow(SQLModel, table=True):
    """A step that was done: sieve, pre-mix, pour, mix, rest, clean, sample, or a test, with its minutes and values."""

    __tablename__ = "batch_step"

    id: int | None = Field(default=None, primary_key=True)
    batch_id: int = Field(foreign_key="batch.id", index=True)
    kind: str
    minutes: float | None = None
    said: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    note: str = ""
    at: str


class BagRow(SQLModel, table=True):
    """A bag or bin of a batch: number, what went in and what is left (g), where it stands, since when it is open."""

    __tablename__ = "bag"
    __table_args__ = (UniqueConstraint("batch_id", "number"),)

    id: int | None = Field(default=None, primary_key=True)
    batch_id: int = Field(foreign_key="batch.id", index=True)
    number: int
    is_bin: bool = False
    size_g: float
    net_g: float
    left_g: float
    place: str = ""
    opened_on: str | None = None
    emptied_on: str | None = None
    cleaned_on: str | None = None
    bin_id: int | None = Field(default=None, foreign_key="bin.id", index=True)
    version: int = 1


class BinRow(SQLModel, table=True):
    """A bin that is filled again and again: what it holds at most and weighs empty (g), whether it is clean."""

    __tablename__ = "bin"

    id: int | None = Field(default=None, primary_key=True)
    name: str = Field(unique=True)
    place: str = ""
    capacity_g: float | None = None
    tare_g: float | None = None
    cleaned_at: str = ""
    archived: bool = False
    version: int = 1


class LabelPrintRow(SQLModel, table=True):
    """A label that was printed, or checked: when, by which scheme, language and size, what stood on it, why again."""

    __tablename__ = "label_print"

    id: int | None = Field(default=None, primary_key=True)
    batch_id: int = Field(foreign_key="batch.id", index=True)
    kind: str
    at: str
    scheme: str
    language: str = ""
    size: str = ""
    lines: list[dict[str, Any]] = Field(default_factory=list, sa_type=JSON, nullable=False)
    evidence: str = ""
