"""Briefs."""

from __future__ import annotations

from typing import Any

from sqlmodel import Field, SQLModel

from fallow_sieve.store.tables.columns import json_column


class BriefRow(SQLModel, table=True):
    """What the work is for: use, eaters, aim, and limits as JSON."""

    __tablename__ = "brief"

    id: int | None = Field(default=None, primary_key=True)
    name: str
    use: str
    eaters: str = ""
    aim: str = "nearest"
    note: str = ""
    limits: dict[str, Any] = Field(default_factory=dict, sa_column=json_column())
    archived: bool = False
    created_at: str
    updated_at: str
    version: int = 1
