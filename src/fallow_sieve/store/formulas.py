"""Formulas with their draft on the bench and their kept revisions. A save is one transaction; nothing is lost."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from sqlalchemy import func
from sqlmodel import Session, col, select

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.formulas.formula import Formula, Line, Stage
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.store.blends import parts_in, parts_out
from fallow_sieve.store.errors import NotFoundError, StaleSaveError
from fallow_sieve.store.tables import FormulaDraftRow, FormulaRevisionRow, FormulaRow
from fallow_sieve.store.versions import save_versioned


@dataclass(frozen=True, slots=True)
class Pinned:
    """The blend a formula rests on, as it was: which one (None: from a file), which revision (None: its draft)."""

    blend_id: int | None
    revision: int | None
    name: str
    parts: tuple[Part, ...]

    @property
    def key(self) -> str:
        """What its bakes are kept under: the blend, whatever its revision."""
        return f"blend:{self.blend_id}" if self.blend_id is not None else f"named:{self.name}"


@dataclass(frozen=True, slots=True)
class Content:
    """What is in a formula: the core's formula (without a name), and where its blend comes from."""

    formula: Formula
    pinned: Pinned | None


_PLAIN = ("use", "consistency", "school", "pieces", "pan", "method")


def content_out(content: Content) -> dict[str, Any]:
    """Return a content as the record that is stored."""
    f, p = content.formula, content.pinned
    pinned = None
    if p is not None:
        pinned = {"blend_id": p.blend_id, "revision": p.revision, "name": p.name, "parts": parts_out(p.parts)}
    lines = [{"ingredient": x.ingredient, "mass_g": x.mass_g, "stage": str(x.stage), "note": x.note} for x in f.lines]
    return {**{n: getattr(f, n) for n in _PLAIN}, "blend": pinned, "lines": lines}


def content_in(record: dict[str, Any]) -> Content:
    """Return a stored record as a content."""
    p = record.get("blend")
    pinned = Pinned(p["blend_id"], p["revision"], p["name"], parts_in(p["parts"])) if p else None
    lines = tuple(
        Line(x["ingredient"], x["mass_g"], Stage(x["stage"]), x.get("note", "")) for x in record.get("lines", [])
    )
    plain = {n: record[n] for n in _PLAIN if n in record}
    return Content(Formula(lines, pinned.parts if pinned else (), **plain), pinned)


def get_formula(session: Session, formula_id: int) -> FormulaRow:
    """Return the formula, also an archived one. Raises NotFoundError."""
    row = session.get(FormulaRow, formula_id)
    if row is None:
        raise NotFoundError("formula", formula_id)
    return row


def list_formulas(session: Session, after: int = 0, limit: int = 50, archived: bool = False) -> Sequence[FormulaRow]:
    """Return at most `limit` formulas with an id over `after`."""
    query = select(FormulaRow).where(col(FormulaRow.id) > after, FormulaRow.archived == archived)
    return session.exec(query.order_by(col(FormulaRow.id)).limit(limit)).all()


def add_formula(session: Session, name: str, brief_id: int | None, content: Content, now: str) -> FormulaRow:
    """Add a formula whose draft is `content`; return it with its id."""
    row = FormulaRow(name=name, brief_id=brief_id, created_at=now, updated_at=now)
    session.add(row)
    session.flush()
    assert row.id is not None
    session.add(FormulaDraftRow(formula_id=row.id, content=content_out(content), updated_at=now))
    session.flush()
    return row


def save_formula(session: Session, formula_id: int, values: dict[str, Any], version: int, now: str) -> FormulaRow:
    """Save name, brief or archived if `version` is current, else raise StaleSaveError."""
    row = get_formula(session, formula_id)
    save_versioned(session, row, {**values, "updated_at": now}, version)
    return row


def get_formula_draft(session: Session, formula_id: int) -> FormulaDraftRow:
    """Return the draft of a formula. Raises NotFoundError."""
    row = session.get(FormulaDraftRow, formula_id)
    if row is None:
        raise NotFoundError("formula", formula_id)
    return row


def save_formula_draft(
    session: Session, formula_id: int, content: Content, based_on: int | None, version: int, now: str
) -> FormulaDraftRow:
    """Save the draft if `version` is current, else raise StaleSaveError with both versions."""
    row = get_formula_draft(session, formula_id)
    values = {"content": content_out(content), "based_on": based_on, "updated_at": now}
    save_versioned(session, row, values, version)
    return row


def formula_revisions(session: Session, formula_id: int) -> Sequence[FormulaRevisionRow]:
    """Return the kept revisions of a formula, the first first."""
    query = select(FormulaRevisionRow).where(FormulaRevisionRow.formula_id == formula_id)
    return session.exec(query.order_by(col(FormulaRevisionRow.number))).all()


def get_formula_revision(session: Session, formula_id: int, number: int) -> FormulaRevisionRow:
    """Return one kept revision. Raises NotFoundError."""
    found = next((r for r in formula_revisions(session, formula_id) if r.number == number), None)
    if found is None:
        raise NotFoundError("revision", number)
    return found


def keep_formula_revision(session: Session, formula_id: int, why: str, version: int, now: str) -> FormulaRevisionRow:
    """Keep the draft as the next revision with `why`, if `version` of the draft is current.

    Raises StaleSaveError, and BadInputError for a draft without lines.
    """
    draft = get_formula_draft(session, formula_id)
    if draft.version != version:
        raise StaleSaveError(draft.model_dump(), {"why": why})
    if not draft.content.get("lines"):
        raise BadInputError("an empty formula cannot be kept", place="/lines", right="add an ingredient first")
    query = select(func.max(FormulaRevisionRow.number)).where(FormulaRevisionRow.formula_id == formula_id)
    row = FormulaRevisionRow(
        formula_id=formula_id,
        number=(session.exec(query).one() or 0) + 1,
        content=dict(draft.content),
        why=why,
        based_on=draft.based_on,
        kept_at=now,
    )
    session.add(row)
    save_versioned(session, draft, {"based_on": row.number, "updated_at": now}, version)
    session.flush()
    return row


def formulas_with(session: Session, ingredient: str) -> list[str]:
    """Return the names of the formulas that have `ingredient` in a line or their blend, now or in a kept revision."""
    records = [*session.exec(select(FormulaDraftRow.formula_id, FormulaDraftRow.content))]
    records += session.exec(select(FormulaRevisionRow.formula_id, FormulaRevisionRow.content))
    found = {formula_id for formula_id, content in records if ingredient in _ingredients_of(content)}
    return [row.name for row in session.exec(select(FormulaRow).where(col(FormulaRow.id).in_(found)))]


def _ingredients_of(content: dict[str, Any]) -> set[str]:
    blend = content.get("blend") or {}
    return {x["ingredient"] for x in (*content.get("lines", []), *blend.get("parts", []))}
