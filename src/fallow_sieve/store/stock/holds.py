"""Holds of lots and batches: each with its cause, so that one released leaves those of other causes."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from sqlmodel import Session, col, select

from fallow_sieve.store.tables import HoldRow


@dataclass(frozen=True, slots=True)
class Hold:
    """A hold of a lot or a batch: since when (ISO, UTC), why, with which lot, and when it was released with why."""

    id: int
    lot_id: int | None
    batch_id: int | None
    with_lot_id: int | None
    since: str
    why: str
    recalled: bool
    released_at: str
    released_why: str


def hold(
    session: Session,
    now: str,
    why: str,
    *,
    lot_id: int | None = None,
    batch_id: int | None = None,
    with_lot_id: int | None = None,
    recalled: bool = False,
) -> None:
    """Hold a lot or a batch at `now` (ISO, UTC); `with_lot_id` is the lot whose hold brought this one with it."""
    row = HoldRow(
        lot_id=lot_id, batch_id=batch_id, with_lot_id=with_lot_id, since=now, why=why.strip(), recalled=recalled
    )
    session.add(row)
    session.flush()


def release(session: Session, now: str, why: str, *, lot_id: int | None = None, batch_id: int | None = None) -> int:
    """Release a lot with all it holds with it, or what holds a batch by itself; return how many holds ended."""
    rows = session.exec(select(HoldRow).where(HoldRow.released_at == "")).all()
    ours = [r for r in rows if (r.lot_id == lot_id or r.with_lot_id == lot_id if lot_id else r.batch_id == batch_id)]
    for row in ours:
        row.released_at, row.released_why = now, why.strip()
        session.add(row)
    session.flush()
    return len(ours)


def open_holds(session: Session) -> list[Hold]:
    """Return what is held now, the oldest first."""
    return [_value(r) for r in session.exec(select(HoldRow).where(HoldRow.released_at == "").order_by(col(HoldRow.id)))]


def holds_of(session: Session, lot_ids: Iterable[int] = (), batch_ids: Iterable[int] = ()) -> list[Hold]:
    """Return every hold of lots or batches, also those that ended."""
    query = select(HoldRow).where(col(HoldRow.lot_id).in_(list(lot_ids)) | col(HoldRow.batch_id).in_(list(batch_ids)))
    return [_value(r) for r in session.exec(query.order_by(col(HoldRow.id)))]


def is_held(session: Session, *, lot_id: int | None = None, batch_id: int | None = None) -> bool:
    """Return whether a lot or a batch is held by any cause."""
    found = holds_of(session, [lot_id] if lot_id else [], [batch_id] if batch_id else [])
    return any(not h.released_at for h in found)


def _value(row: HoldRow) -> Hold:
    assert row.id is not None
    return Hold(
        row.id, row.lot_id, row.batch_id, row.with_lot_id, row.since, row.why, row.recalled, row.released_at,
        row.released_why,
    )  # fmt: skip
