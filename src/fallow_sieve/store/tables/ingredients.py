"""Ingredients, their numbers, names and lots, and what was found out about a bag."""

from __future__ import annotations

from typing import Any

from sqlalchemy import Index, text
from sqlmodel import Field, SQLModel

from fallow_sieve.store.tables.columns import json_column

LARDER = "larder"
BUNDLED = ("library", LARDER)  # where rows come from that are refreshed with the application


class IngredientRow(SQLModel, table=True):
    """What an ingredient is. `origin` is library, larder or own; a bundled row is refreshed with the application.

    `touched` is the shelf version at which it, its numbers or its lots last changed.
    """

    __tablename__ = "ingredient"

    slug: str = Field(primary_key=True, max_length=80)
    name: str
    role: str
    origin: str = "library"
    flavour_words: list[str] = Field(default_factory=list, sa_column=json_column())
    allergens: list[str] = Field(default_factory=list, sa_column=json_column())
    watch: list[str] = Field(default_factory=list, sa_column=json_column())
    gluten_risk: str = ""
    functions: list[str] = Field(default_factory=list, sa_column=json_column())
    usual_max_pct: float | None = None
    usual_max_reason: str = ""
    confidence: str = ""
    archived: bool = False
    position: int = 0
    version: int = Field(default=1, sa_column_kwargs={"server_default": "1"})
    touched: int = Field(default=0, index=True, sa_column_kwargs={"server_default": "0"})


class NumbersRow(SQLModel, table=True):
    """The numbers of one layer of an ingredient, or of one lot of it, as one document by field.

    `layer` is table (the library's), own (typed or brought in), label or measured; the later ones win.
    Each is [low, typical, high, quality, source, on], and a seventh, true, where it is set aside: then it is kept
    but does not count.
    """

    __tablename__ = "numbers"
    __table_args__ = (
        Index("uq_numbers_ingredient", "ingredient", "layer", unique=True, sqlite_where=text("lot_id IS NULL")),
        Index("uq_numbers_lot_id", "lot_id", "layer", unique=True),
    )

    id: int | None = Field(default=None, primary_key=True)
    ingredient: str = Field(foreign_key="ingredient.slug")
    lot_id: int | None = Field(default=None, foreign_key="lot.id")
    layer: str
    facts: dict[str, Any] = Field(default_factory=dict, sa_column=json_column())


class AliasRow(SQLModel, table=True):
    """Another name of an ingredient."""

    __tablename__ = "alias"

    id: int | None = Field(default=None, primary_key=True)
    ingredient: str = Field(foreign_key="ingredient.slug", index=True)
    alias: str
    place: str = ""


class LotRow(SQLModel, table=True):
    """A lot in a bin: what was bought and what is left (g), its price, best before, gluten value.

    `price_per_kg` is of what can be used: the pack's price over its mass and yield, where those are given.
    """

    __tablename__ = "lot"

    id: int | None = Field(default=None, primary_key=True)
    ingredient: str = Field(foreign_key="ingredient.slug", index=True)
    code: str
    supplier: str = ""
    bought_on: str | None = None
    bought_g: float
    stock_g: float
    price_per_kg: float | None = None
    pack_g: float | None = None
    pack_price: float | None = None
    yield_pct: float = Field(default=100.0, sa_column_kwargs={"server_default": "100"})
    best_before: str | None = None
    gluten_mg_per_kg: float | None = None
    gluten_basis: str = ""
    gluten_on: str | None = None
    note: str = Field(default="", sa_column_kwargs={"server_default": ""})
    archived: bool = Field(default=False, sa_column_kwargs={"server_default": "0"})
    version: int = Field(default=1, sa_column_kwargs={"server_default": "1"})
    opened_on: str | None = None
    milled_on: str | None = None
    supplier_code: str = Field(default="", sa_column_kwargs={"server_default": ""})


class PanelRow(SQLModel, table=True):
    """A label panel as it was typed, and the facts (per 100 g) that it gives."""

    __tablename__ = "panel"

    id: int | None = Field(default=None, primary_key=True)
    ingredient: str = Field(foreign_key="ingredient.slug", index=True)
    lot_id: int | None = Field(default=None, foreign_key="lot.id")
    read_on: str
    typed: dict[str, Any] = Field(default_factory=dict, sa_column=json_column())
    gives: dict[str, Any] = Field(default_factory=dict, sa_column=json_column())
    withdrawn: bool = False
    created_at: str


class BenchTestRow(SQLModel, table=True):
    """A bench test: its readings, and the facts that they give. A check of the scale has no ingredient."""

    __tablename__ = "bench_test"

    id: int | None = Field(default=None, primary_key=True)
    kind: str
    ingredient: str | None = Field(default=None, foreign_key="ingredient.slug", index=True)
    lot_id: int | None = Field(default=None, foreign_key="lot.id")
    taken_on: str
    note: str = ""
    readings: dict[str, Any] = Field(default_factory=dict, sa_column=json_column())
    gives: dict[str, Any] = Field(default_factory=dict, sa_column=json_column())
    withdrawn: bool = False
    created_at: str
