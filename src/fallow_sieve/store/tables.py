"""The tables. Masses in g, money in the kitchen's currency, times as ISO 8601 text in UTC, dates as ISO text.

Every row that two people may edit carries `version`, which rises by one with each save.
"""

from __future__ import annotations

from typing import Any

from sqlalchemy import JSON, Column, ForeignKey, Index, Integer, UniqueConstraint, text
from sqlmodel import Field, SQLModel

SQLModel.metadata.naming_convention = {
    "ix": "ix_%(column_0_label)s",
    "uq": "uq_%(table_name)s_%(column_0_name)s",
    "ck": "ck_%(table_name)s_%(constraint_name)s",
    "fk": "fk_%(table_name)s_%(column_0_name)s_%(referred_table_name)s",
    "pk": "pk_%(table_name)s",
}


def _json() -> Any:
    return Column(JSON, nullable=False)


class KitchenRow(SQLModel, table=True):
    """The kitchen's settings: one row. `shelf_version` rises when any ingredient or lot changes."""

    __tablename__ = "kitchen"

    id: int = Field(default=1, primary_key=True)
    name: str = "My kitchen"
    cup: str = "metric"
    tablespoon: str = "metric"
    mass_unit: str = "g"
    temp_unit: str = "c"
    energy_unit: str = "kj"
    currency: str = ""
    binder_school: str = "by-moisture"
    store_temp_c: float = 20.0
    serving_g: float = 30.0
    library_version: str = ""
    shelf_version: int = 1
    version: int = 1


class IngredientRow(SQLModel, table=True):
    """What an ingredient is. `origin` is library or own; a library row is refreshed with the application.

    `touched` is the shelf version at which it, its numbers or its lots last changed.
    """

    __tablename__ = "ingredient"

    slug: str = Field(primary_key=True, max_length=80)
    name: str
    role: str
    origin: str = "library"
    flavour_words: list[str] = Field(default_factory=list, sa_column=_json())
    allergens: list[str] = Field(default_factory=list, sa_column=_json())
    watch: list[str] = Field(default_factory=list, sa_column=_json())
    gluten_risk: str = ""
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
    facts: dict[str, Any] = Field(default_factory=dict, sa_column=_json())


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


class PanelRow(SQLModel, table=True):
    """A label panel as it was typed, and the facts (per 100 g) that it gives."""

    __tablename__ = "panel"

    id: int | None = Field(default=None, primary_key=True)
    ingredient: str = Field(foreign_key="ingredient.slug", index=True)
    lot_id: int | None = Field(default=None, foreign_key="lot.id")
    read_on: str
    typed: dict[str, Any] = Field(default_factory=dict, sa_column=_json())
    gives: dict[str, Any] = Field(default_factory=dict, sa_column=_json())
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
    readings: dict[str, Any] = Field(default_factory=dict, sa_column=_json())
    gives: dict[str, Any] = Field(default_factory=dict, sa_column=_json())
    withdrawn: bool = False
    created_at: str


class BriefRow(SQLModel, table=True):
    """What the work is for: use, eaters, aim, and limits as JSON."""

    __tablename__ = "brief"

    id: int | None = Field(default=None, primary_key=True)
    name: str
    use: str
    eaters: str = ""
    aim: str = "nearest"
    note: str = ""
    limits: dict[str, Any] = Field(default_factory=dict, sa_column=_json())
    archived: bool = False
    created_at: str
    updated_at: str
    version: int = 1


class BlendRow(SQLModel, table=True):
    """A blend: its name, use and brief. What is in it stands in its draft and revisions."""

    __tablename__ = "blend"

    id: int | None = Field(default=None, primary_key=True)
    brief_id: int | None = Field(default=None, foreign_key="brief.id", index=True)
    name: str
    use: str | None = None
    archived: bool = False
    created_at: str
    updated_at: str
    version: int = 1


class DraftRow(SQLModel, table=True):
    """The parts of a blend as they stand on the bench, and the revision number they started from."""

    __tablename__ = "draft"

    blend_id: int = Field(sa_column=Column(Integer, ForeignKey("blend.id"), primary_key=True))
    parts: list[dict[str, Any]] = Field(default_factory=list, sa_column=_json())
    based_on: int | None = None
    updated_at: str
    version: int = 1


class RevisionRow(SQLModel, table=True):
    """A kept state of a blend, with why. Never changed nor deleted: triggers in the database refuse it."""

    __tablename__ = "revision"
    __table_args__ = (UniqueConstraint("blend_id", "number", name="uq_revision_blend_id_number"),)

    id: int | None = Field(default=None, primary_key=True)
    blend_id: int = Field(foreign_key="blend.id", index=True)
    number: int
    parts: list[dict[str, Any]] = Field(default_factory=list, sa_column=_json())
    why: str
    based_on: int | None = None
    kept_at: str


class FormulaRow(SQLModel, table=True):
    """A formula: its name and brief. What is in it stands in its draft and revisions."""

    __tablename__ = "formula"

    id: int | None = Field(default=None, primary_key=True)
    brief_id: int | None = Field(default=None, foreign_key="brief.id", index=True)
    name: str
    archived: bool = False
    created_at: str
    updated_at: str
    version: int = 1


class FormulaDraftRow(SQLModel, table=True):
    """A formula as it stands on the bench: use, settings, lines and the pinned blend as one document."""

    __tablename__ = "formula_draft"

    formula_id: int = Field(sa_column=Column(Integer, ForeignKey("formula.id"), primary_key=True))
    content: dict[str, Any] = Field(default_factory=dict, sa_column=_json())
    based_on: int | None = None
    updated_at: str
    version: int = 1


class FormulaRevisionRow(SQLModel, table=True):
    """A kept state of a formula, with why. Never changed nor deleted: triggers in the database refuse it."""

    __tablename__ = "formula_revision"
    __table_args__ = (UniqueConstraint("formula_id", "number", name="uq_formula_revision_formula_id_number"),)

    id: int | None = Field(default=None, primary_key=True)
    formula_id: int = Field(foreign_key="formula.id", index=True)
    number: int
    content: dict[str, Any] = Field(default_factory=dict, sa_column=_json())
    why: str
    based_on: int | None = None
    kept_at: str


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
