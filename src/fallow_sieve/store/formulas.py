"""Formulas as documents: use, settings, lines, and the pinned blend with its parts as they were."""

from __future__ import annotations

from dataclasses import asdict

from sqlalchemy import text
from sqlmodel import Session

from fallow_sieve.core.formulas import Formula, Line, Portion, When
from fallow_sieve.core.values import Pin
from fallow_sieve.store.blends import parts_of, parts_record
from fallow_sieve.store.documents import Documents, Record, Tables, refuse_empty
from fallow_sieve.store.tables import FormulaDraftRow, FormulaRevisionRow, FormulaRow

_PLAIN = ("use", "consistency", "school", "pieces", "pan", "method")


class FormulaCodec:
    """A formula's content is a core formula without a name. Its lines' `when` is stored as `stage`."""

    def record(self, content: Formula) -> Record:
        """Return the formula as the record that is stored."""
        pin, blend = content.pin, None
        if pin is not None:
            parts = parts_record(content.blend)
            blend = {"blend_id": pin.id, "revision": pin.revision, "name": pin.name, "parts": parts}
        lines = [
            {"ingredient": x.ingredient, "mass_g": x.mass_g, "stage": str(x.when), "note": x.note}
            for x in content.lines
        ]
        portion = asdict(content.portion) if content.portion else None
        return {**{n: getattr(content, n) for n in _PLAIN}, "portion": portion, "blend": blend, "lines": lines}

    def content(self, record: Record) -> Formula:
        """Return a stored record as a formula."""
        blend = record.get("blend")
        lines = tuple(
            Line(x["ingredient"], x["mass_g"], When(x["stage"]), x.get("note", "")) for x in record.get("lines", [])
        )
        return Formula(
            lines,
            parts_of(blend["parts"]) if blend else (),
            portion=Portion(**record["portion"]) if record.get("portion") else None,
            pin=Pin("blend", blend["blend_id"], blend["revision"], blend["name"]) if blend else None,
            **{n: record[n] for n in _PLAIN if n in record},
        )

    def check_worth_keeping(self, content: Formula) -> None:
        """Raise BadInputError for a formula without lines."""
        refuse_empty(content.lines, "formula", "/lines")

    def ingredients(self, record: Record) -> set[str]:
        """Return the slugs of the lines and of the pinned blend's parts."""
        blend = record.get("blend") or {}
        return {x["ingredient"] for x in (*record.get("lines", []), *blend.get("parts", []))}


FORMULAS: Documents[Formula] = Documents(
    "formula", Tables(FormulaRow, FormulaDraftRow, FormulaRevisionRow, "formula_id"), FormulaCodec()
)

MOST_ON_A_BLEND = 40
_ON_BLEND = text(
    "SELECT formula.id, formula.name FROM formula JOIN formula_draft ON formula_draft.formula_id = formula.id "
    "WHERE json_extract(formula_draft.content, '$.blend.blend_id') = :blend AND formula.archived = 0 "
    f"ORDER BY formula.id LIMIT {MOST_ON_A_BLEND}"
)


def formulas_on_blend(session: Session, blend_id: int) -> dict[int, str]:
    """Return the formulas whose drafts work with a blend: names by id, the oldest first."""
    rows = session.connection().execute(_ON_BLEND, {"blend": blend_id})
    return {row.id: row.name for row in rows}
