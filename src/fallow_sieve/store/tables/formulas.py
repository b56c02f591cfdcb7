"""Formulas: use, settings, lines and the pinned blend are one document in draft and revisions."""

from __future__ import annotations

from sqlalchemy import Column, ForeignKey, Integer, UniqueConstraint
from sqlmodel import Field

from fallow_sieve.store.tables.columns import DraftColumns, HeadColumns, RevisionColumns


class FormulaRow(HeadColumns, table=True):
    """The head of a formula."""

    __tablename__ = "formula"


class FormulaDraftRow(DraftColumns, table=True):
    """A formula as it stands on the bench."""

    __tablename__ = "formula_draft"

    formula_id: int = Field(sa_column=Column(Integer, ForeignKey("formula.id"), primary_key=True))


class FormulaRevisionRow(RevisionColumns, table=True):
    """A kept state of a formula."""

    __tablename__ = "formula_revision"
    __table_args__ = (UniqueConstraint("formula_id", "number", name="uq_formula_revision_formula_id_number"),)

    formula_id: int = Field(foreign_key="formula.id", index=True)
