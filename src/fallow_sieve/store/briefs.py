"""Briefs: what the work is for."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import BriefRow
from fallow_sieve.store.versions import save_versioned


def get_brief(session: Session, brief_id: int) -> BriefRow:
    """Return the brief, also an archived one. Raises NotFoundError."""
    row = session.get(BriefRow, brief_id)
    if row is None:
        raise NotFoundError("brief", brief_id)
    return row


def list_briefs(session: Session, after: int = 0, limit: int = 50, archived: bool = False) -> Sequence[BriefRow]:
    """Return at most `limit` briefs with an id over `after`, in the order in which they were made."""
    query = select(BriefRow).where(col(BriefRow.id) > after, BriefRow.archived == archived)
    return session.exec(query.order_by(col(BriefRow.id)).limit(limit)).all()


def add_brief(session: Session, values: dict[str, Any], now: str) -> BriefRow:
    """Add a brief with `values` at the time `now`; return it with its id."""
    row = BriefRow(**values, created_at=now, updated_at=now)
    session.add(row)
    session.flush()
    return row


def save_brief(session: Session, brief_id: int, values: dict[str, Any], version: int, now: str) -> BriefRow:
    """Save `values` if `version` is current, else raise StaleSaveError; NotFoundError without such a brief."""
    row = get_brief(session, brief_id)
    save_versioned(session, row, {**values, "updated_at": now}, version)
    return row
