"""The kitchen's own words: what its people call an ingredient."""

from __future__ import annotations

from sqlmodel import Field, SQLModel


class KitchenWordRow(SQLModel, table=True):
    """A name as it was written, and the ingredient (slug) that it was said to be; one row a name."""

    __tablename__ = "kitchen_word"

    id: int | None = Field(default=None, primary_key=True)
    phrase: str = Field(unique=True)
    ingredient: str
    said_on: str
