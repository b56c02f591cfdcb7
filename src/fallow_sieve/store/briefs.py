"""Briefs: what the work is for."""

from __future__ import annotations

import json
from dataclasses import asdict, dataclass
from functools import lru_cache
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.blends import BagKind, BandChange, Limits, NamedUse
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import BriefRow
from fallow_sieve.store.versions import save_versioned


@dataclass(frozen=True, slots=True)
class Brief:
    """A brief as stored: use, eaters, aim and note in words, and its limits."""

    id: int
    name: str
    use: str
    eaters: str
    aim: str
    note: str
    limits: Limits
    archived: bool
    created_at: str
    updated_at: str
    version: int


def limits_of(record: dict[str, Any]) -> Limits:
    """Return stored limits as the core's."""
    return Limits(
        exclude_allergens=tuple(record.get("exclude_allergens", ())),
        exclude=tuple(record.get("exclude", ())),
        price_cap_per_kg=record.get("price_cap_per_kg"),
        max_bins=record.get("max_bins"),
        gluten_cap_mg_per_kg=record.get("gluten_cap_mg_per_kg"),
        bands=tuple(BandChange(**b) for b in record.get("bands", ())),
        bag=BagKind(kind) if (kind := record.get("bag")) else None,
        max_gum_pct=record.get("max_gum_pct"),
        uses=tuple(NamedUse(**u) for u in record.get("uses", ())),
    )


@lru_cache(maxsize=128)
def limits_in(text: str) -> Limits:
    """Return the limits that stand in a brief's row, by their JSON text: they are asked at each move of a hand."""
    return limits_of(json.loads(text))


def _brief(row: BriefRow) -> Brief:
    values = {n: getattr(row, n) for n in Brief.__dataclass_fields__ if n != "limits"}
    return Brief(**values, limits=limits_of(row.limits))


def _row(session: Session, brief_id: int) -> BriefRow:
    row = session.get(BriefRow, brief_id)
    if row is None:
        raise NotFoundError("brief", brief_id)
    return row


def get_brief(session: Session, brief_id: int) -> Brief:
    """Return the brief, also an archived one. Raises NotFoundError."""
    return _brief(_row(session, brief_id))


def list_briefs(session: Session, after: int = 0, limit: int = 50, archived: bool = False) -> list[Brief]:
    """Return at most `limit` briefs with an id over `after`, in the order in which they were made."""
    query = select(BriefRow).where(col(BriefRow.id) > after, BriefRow.archived == archived)
    return [_brief(row) for row in session.exec(query.order_by(col(BriefRow.id)).limit(limit))]


def add_brief(session: Session, values: dict[str, Any], limits: Limits, now: str) -> Brief:
    """Add a brief with `values` and `limits` at the time `now`; return it with its id."""
    row = BriefRow(**values, limits=asdict(limits), created_at=now, updated_at=now)
    session.add(row)
    session.flush()
    return _brief(row)


def save_brief(
    session: Session, brief_id: int, values: dict[str, Any], limits: Limits, version: int, now: str
) -> Brief:
    """Save `values` and `limits` if `version` is current, else raise StaleSaveError; NotFoundError without it."""
    row = _row(session, brief_id)
    save_versioned(session, row, {**values, "limits": asdict(limits), "updated_at": now}, version)
    return _brief(row)
