"""Stock: moves of lots and bags, which are only ever added, and what is held with why.

A lot's `stock_g` and a bag's `left_g` are the kept sums of their moves, written in the same transaction.
"""

from __future__ import annotations

from sqlmodel import Field, SQLModel


class StockMoveRow(SQLModel, table=True):
    """± g of a lot or a bag: what kind of move, for which batch or trial, when, why, where to, which it takes back."""

    __tablename__ = "stock_move"

    id: int | None = Field(default=None, primary_key=True)
    lot_id: int | None = Field(default=None, foreign_key="lot.id", index=True)
    bag_id: int | None = Field(default=None, foreign_key="bag.id", index=True)
    batch_id: int | None = Field(default=None, foreign_key="batch.id", index=True)
    trial_id: int | None = Field(default=None, foreign_key="trial.id")
    kind: str
    mass_g: float
    at: str
    why: str = ""
    where_to: str = ""
    undoes: int | None = Field(default=None, foreign_key="stock_move.id", index=True)


class HoldRow(SQLModel, table=True):
    """A lot or a batch that is held: since when and why, by which lot it is held with, until it is released."""

    __tablename__ = "hold"

    id: int | None = Field(default=None, primary_key=True)
    lot_id: int | None = Field(default=None, foreign_key="lot.id", index=True)
    batch_id: int | None = Field(default=None, foreign_key="batch.id", index=True)
    with_lot_id: int | None = Field(default=None, foreign_key="lot.id")
    since: str
    why: str
    recalled: bool = False
    released_at: str = ""
    released_why: str = ""


class DrillRow(SQLModel, table=True):
    """A drill: which lot was followed, how long it took, how much was found, what was missing."""

    __tablename__ = "drill"

    id: int | None = Field(default=None, primary_key=True)
    lot_id: int = Field(foreign_key="lot.id")
    begun_at: str
    ended_at: str = ""
    found_g: float | None = None
    wanted_g: float | None = None
    missing: str = ""
