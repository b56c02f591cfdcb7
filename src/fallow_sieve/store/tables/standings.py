"""What is kept of judgements, so that a long page need not judge anew."""

from __future__ import annotations

from typing import Any

from sqlalchemy import JSON, Column
from sqlmodel import Field, SQLModel


class StandingRow(SQLModel, table=True):
    """How a document stood when it was last judged, and a mark of all that this rested on: good as long as it holds."""

    __tablename__ = "kept_standing"

    kind: str = Field(primary_key=True)
    document_id: int = Field(primary_key=True)
    mark: str
    found: dict[str, Any] = Field(sa_column=Column(JSON, nullable=False))
