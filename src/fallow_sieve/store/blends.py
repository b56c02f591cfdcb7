"""Blends as documents: their use and parts."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from fallow_sieve.core.blends import Blend, Part
from fallow_sieve.store.documents import Documents, Record, Tables, refuse_empty
from fallow_sieve.store.tables import BlendDraftRow, BlendRevisionRow, BlendRow


def parts_record(parts: Sequence[Part]) -> list[Record]:
    """Return parts as the records that are stored: slug, mass in g, lock, the lot where one is named,
    and the range of a mass that was not weighed."""
    return [_part_record(p) for p in parts]


def _part_record(part: Part) -> Record:
    record: Record = {"ingredient": part.ingredient, "mass_g": part.mass_g, "locked": part.locked}
    if not part.is_weighed:
        record |= {"low_ratio": part.low_ratio, "high_ratio": part.high_ratio}
    return record if part.lot_id is None else {**record, "lot_id": part.lot_id}


def parts_of(records: Sequence[Record]) -> tuple[Part, ...]:
    """Return stored records as parts (g)."""
    return tuple(
        Part(
            r["ingredient"],
            r["mass_g"],
            r.get("locked", False),
            r.get("lot_id"),
            r.get("low_ratio", 1.0),
            r.get("high_ratio", 1.0),
        )
        for r in records
    )


class BlendCodec:
    """A blend's content is a core blend without a name: its parts, and what they are for."""

    def record(self, content: Blend) -> Record:
        """Return the blend as the record that is stored."""
        return {"use": content.use, "parts": parts_record(content.parts)}

    def content(self, record: Record) -> Blend:
        """Return a stored record as a blend."""
        return Blend(parts_of(record.get("parts", [])), use=record.get("use"))

    def check_worth_keeping(self, content: Blend) -> None:
        """Raise BadInputError for a blend without parts."""
        refuse_empty(content.parts, "blend", "/parts")

    def ingredients(self, record: Record) -> set[str]:
        """Return the slugs of the parts."""
        parts: list[dict[str, Any]] = record.get("parts", [])
        return {p["ingredient"] for p in parts}


BLENDS: Documents[Blend] = Documents(
    "blend", Tables(BlendRow, BlendDraftRow, BlendRevisionRow, "blend_id"), BlendCodec()
)
