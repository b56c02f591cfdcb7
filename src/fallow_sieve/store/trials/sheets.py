"""Sheets that were handed out: only the hash of a token is kept, and until when it opens its one sheet."""

from __future__ import annotations

from hashlib import sha256

from sqlmodel import Session, col, select

from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import SheetRow

TRIAL = "trial"


def hash_of(token: str) -> str:
    """Return the hash under which a token is kept."""
    return sha256(token.encode()).hexdigest()


def hand_out(session: Session, token: str, about_id: int, created_at: str, ends_at: str, kind: str = TRIAL) -> None:
    """Let `token` open one sheet until `ends_at` (ISO, UTC)."""
    row = SheetRow(token_hash=hash_of(token), kind=kind, about_id=about_id, created_at=created_at, ends_at=ends_at)
    session.add(row)
    session.flush()


def sheet_opened(session: Session, token: str, now: str, kind: str = TRIAL) -> int:
    """Return what the sheet is about that `token` opens at `now` (ISO, UTC). Raises NotFoundError."""
    row = session.get(SheetRow, hash_of(token))
    if row is None or row.kind != kind or row.ends_at <= now:
        raise NotFoundError("sheet", "")
    return row.about_id


def take_in(session: Session, about_id: int, kind: str = TRIAL) -> int:
    """Let no token open the sheets about one thing any more; return how many did."""
    rows = session.exec(select(SheetRow).where(col(SheetRow.about_id) == about_id, SheetRow.kind == kind)).all()
    for row in rows:
        session.delete(row)
    session.flush()
    return len(rows)
