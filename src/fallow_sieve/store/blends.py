"""Blends with their draft on the bench and their kept revisions. A save is one transaction; nothing is lost."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from sqlalchemy import func
from sqlmodel import Session, col, select

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.store.errors import NotFoundError, StaleSaveError
from fallow_sieve.store.tables import BlendRow, DraftRow, RevisionRow
from fallow_sieve.store.versions import save_versioned


def parts_out(parts: Sequence[Part]) -> list[dict[str, Any]]:
    """Return parts as the records that are stored: slug, mass in g, lock, and the lot where one is named."""
    return [_part_out(p) for p in parts]


def _part_out(part: Part) -> dict[str, Any]:
    record: dict[str, Any] = {"ingredient": part.ingredient, "mass_g": part.mass_g, "locked": part.locked}
    return record if part.lot_id is None else {**record, "lot_id": part.lot_id}


def parts_in(records: Sequence[dict[str, Any]]) -> tuple[Part, ...]:
    """Return stored records as parts."""
    return tuple(Part(r["ingredient"], r["mass_g"], r.get("locked", False), r.get("lot_id")) for r in records)


def get_blend(session: Session, blend_id: int) -> BlendRow:
    """Return the blend, also an archived one. Raises NotFoundError."""
    row = session.get(BlendRow, blend_id)
    if row is None:
        raise NotFoundError("blend", blend_id)
    return row


def list_blends(
    session: Session, brief_id: int | None = None, after: int = 0, limit: int = 50, archived: bool = False
) -> Sequence[BlendRow]:
    """Return at most `limit` blends with an id over `after`, of one brief or of all."""
    query = select(BlendRow).where(col(BlendRow.id) > after, BlendRow.archived == archived)
    if brief_id is not None:
        query = query.where(BlendRow.brief_id == brief_id)
    return session.exec(query.order_by(col(BlendRow.id)).limit(limit)).all()


def add_blend(
    session: Session, name: str, use: str | None, brief_id: int | None, parts: Sequence[Part], now: str
) -> BlendRow:
    """Add a blend whose draft has `parts`; return it with its id."""
    row = BlendRow(name=name, use=use, brief_id=brief_id, created_at=now, updated_at=now)
    session.add(row)
    session.flush()
    assert row.id is not None
    session.add(DraftRow(blend_id=row.id, parts=parts_out(parts), updated_at=now))
    session.flush()
    return row


def save_blend(session: Session, blend_id: int, values: dict[str, Any], version: int, now: str) -> BlendRow:
    """Save name, use, brief or archived if `version` is current, else raise StaleSaveError."""
    row = get_blend(session, blend_id)
    save_versioned(session, row, {**values, "updated_at": now}, version)
    return row


def get_draft(session: Session, blend_id: int) -> DraftRow:
    """Return the draft of a blend. Raises NotFoundError."""
    row = session.get(DraftRow, blend_id)
    if row is None:
        raise NotFoundError("blend", blend_id)
    return row


def save_draft(
    session: Session, blend_id: int, parts: Sequence[Part], based_on: int | None, version: int, now: str
) -> DraftRow:
    """Save the draft if `version` is current, else raise StaleSaveError with both versions."""
    row = get_draft(session, blend_id)
    save_versioned(session, row, {"parts": parts_out(parts), "based_on": based_on, "updated_at": now}, version)
    return row


def revisions_of(session: Session, blend_id: int) -> Sequence[RevisionRow]:
    """Return the kept revisions of a blend, the first first."""
    query = select(RevisionRow).where(RevisionRow.blend_id == blend_id)
    return session.exec(query.order_by(col(RevisionRow.number))).all()


def get_revision(session: Session, blend_id: int, number: int) -> RevisionRow:
    """Return one kept revision. Raises NotFoundError."""
    query = select(RevisionRow).where(RevisionRow.blend_id == blend_id, RevisionRow.number == number)
    row = session.exec(query).first()
    if row is None:
        raise NotFoundError("revision", number)
    return row


def keep_revision(session: Session, blend_id: int, why: str, version: int, now: str) -> RevisionRow:
    """Keep the draft as the next revision with `why`, if `version` of the draft is current.

    Raises StaleSaveError, and BadInputError for an empty draft.
    """
    draft = get_draft(session, blend_id)
    if draft.version != version:
        raise StaleSaveError(draft.model_dump(), {"why": why})
    if not draft.parts:
        raise BadInputError("an empty blend cannot be kept", place="/parts", right="add an ingredient first")
    last = session.exec(select(func.max(RevisionRow.number)).where(RevisionRow.blend_id == blend_id)).one()
    row = RevisionRow(
        blend_id=blend_id,
        number=(last or 0) + 1,
        parts=[dict(p) for p in draft.parts],
        why=why,
        based_on=draft.based_on,
        kept_at=now,
    )
    session.add(row)
    draft.based_on = row.number
    draft.version += 1
    draft.updated_at = now
    session.add(draft)
    session.flush()
    return row


def duplicate_blend(session: Session, blend_id: int, name: str, now: str) -> BlendRow:
    """Add a blend that starts from the draft of another; return it."""
    row = get_blend(session, blend_id)
    draft = get_draft(session, blend_id)
    return add_blend(session, name, row.use, row.brief_id, parts_in(draft.parts), now)


def blends_with(session: Session, ingredient: str) -> list[str]:
    """Return the names of the blends that have `ingredient` in their draft or in a kept revision."""
    records = [*session.exec(select(DraftRow.blend_id, DraftRow.parts))]
    records += session.exec(select(RevisionRow.blend_id, RevisionRow.parts))
    found = {blend_id for blend_id, parts in records if any(p["ingredient"] == ingredient for p in parts)}
    return [row.name for row in session.exec(select(BlendRow).where(col(BlendRow.id).in_(found)))]
