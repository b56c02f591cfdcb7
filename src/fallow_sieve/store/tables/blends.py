"""Blends: their use and parts are one document in draft and revisions."""

from __future__ import annotations

from sqlalchemy import Column, ForeignKey, Integer, UniqueConstraint
from sqlmodel import Field

from fallow_sieve.store.tables.columns import DraftColumns, HeadColumns, RevisionColumns


class BlendRow(HeadColumns, table=True):
    """The head of a blend."""

    __tablename__ = "blend"


class BlendDraftRow(DraftColumns, table=True):
    """A blend as it stands on the bench."""

    __tablename__ = "draft"

    blend_id: int = Field(sa_column=Column(Integer, ForeignKey("blend.id"), primary_key=True))


class BlendRevisionRow(RevisionColumns, table=True):
    """A kept state of a blend."""

    __tablename__ = "revision"
    __table_args__ = (UniqueConstraint("blend_id", "number", name="uq_revision_blend_id_number"),)

    blend_id: int = Field(foreign_key="blend.id", index=True)
