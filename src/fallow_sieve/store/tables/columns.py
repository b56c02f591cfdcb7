"""What every table shares: names of constraints, columns of JSON, and the three tables of a document with revisions.

Masses in g, money in the kitchen's currency, times as ISO 8601 text in UTC, dates as ISO text. Every row that two
people may edit carries `version`, which rises by one with each save.
"""

from __future__ import annotations

from typing import Any

from sqlalchemy import JSON, Column
from sqlmodel import Field, SQLModel

SQLModel.metadata.naming_convention = {
    "ix": "ix_%(column_0_label)s",
    "uq": "uq_%(table_name)s_%(column_0_name)s",
    "ck": "ck_%(table_name)s_%(constraint_name)s",
    "fk": "fk_%(table_name)s_%(column_0_name)s_%(referred_table_name)s",
    "pk": "pk_%(table_name)s",
}


def json_column() -> Any:
    """Return a column that holds JSON and is never null."""
    return Column(JSON, nullable=False)


class HeadColumns(SQLModel):
    """The head of a document: what it is called and for which brief. What is in it stands in draft and revisions."""

    id: int | None = Field(default=None, primary_key=True)
    brief_id: int | None = Field(default=None, foreign_key="brief.id", index=True)
    name: str
    archived: bool = False
    created_at: str
    updated_at: str
    version: int = 1


class DraftColumns(SQLModel):
    """A document as it stands on the bench, and the revision number that it started from."""

    content: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    based_on: int | None = None
    updated_at: str
    version: int = 1


class RevisionColumns(SQLModel):
    """A kept state of a document, with why. Never changed nor deleted: triggers in the database refuse it."""

    id: int | None = Field(default=None, primary_key=True)
    number: int
    content: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
    why: str
    based_on: int | None = None
    kept_at: str
