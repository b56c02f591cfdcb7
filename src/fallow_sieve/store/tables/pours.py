"""The water that went into bakes."""

from __future__ import annotations

from sqlmodel import Field, SQLModel


class BakeRow(SQLModel, table=True):
    """Water that really went into a bake (g, and % of flour base), beside what was predicted without correction."""

    __tablename__ = "bake"

    id: int | None = Field(default=None, primary_key=True)
    formula_id: int = Field(foreign_key="formula.id", index=True)
    blend: str
    use: str
    family: str
    baked_on: str
    flour_g: float
    poured_g: float
    actual_pct: float
    predicted_pct: float
    note: str = ""
    withdrawn: bool = False
    created_at: str
