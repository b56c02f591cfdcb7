"""Batches: rows that are saved under a version, values that go out."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import asdict
from typing import Any

from sqlmodel import Session, col, func, select

from fallow_sieve.core.batches.batch import Batch, BatchState, Making
from fallow_sieve.core.batches.planning import Wanted
from fallow_sieve.core.blends import Part
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import BagRow, BatchRow, WeighingRow
from fallow_sieve.store.versions import save_versioned

_SAME = (
    "name", "revision", "blend_id", "use", "code", "made_on", "note", "archived", "created_at", "updated_at", "version",
)  # fmt: skip


def add_batch(session: Session, batch: Batch, now: str) -> Batch:
    """Add a batch that is planned; return it with its id."""
    row = BatchRow(**_values(batch) | {"created_at": now, "updated_at": now})
    session.add(row)
    session.flush()
    return _value(row)


def get_batch(session: Session, batch_id: int) -> Batch:
    """Return a batch. Raises NotFoundError."""
    return _value(_row(session, batch_id))


def save_batch(session: Session, batch: Batch, version: int, now: str) -> Batch:
    """Save a batch if `version` is its current one, else raise StaleSaveError."""
    row = _row(session, batch.id)
    save_versioned(session, row, _values(batch) | {"updated_at": now}, version)
    session.flush()
    return _value(row)


def put_batch(session: Session, batch: Batch, now: str) -> Batch:
    """Set a batch as it was worked out within this transaction; its version rises."""
    return save_batch(session, batch, _row(session, batch.id).version, now)


def touch_batch(session: Session, batch_id: int, now: str) -> None:
    """Note that something of a batch was added: its version rises."""
    row = _row(session, batch_id)
    row.version += 1
    row.updated_at = now
    session.add(row)
    session.flush()


def page_of_batches(session: Session, before: int = 0, limit: int = 50) -> list[Batch]:
    """Return at most `limit` batches that are not put away, the newest first, those before the id `before`."""
    query = select(BatchRow).where(col(BatchRow.archived).is_(False))
    if before:
        query = query.where(col(BatchRow.id) < before)
    return [_value(r) for r in session.exec(query.order_by(col(BatchRow.id).desc()).limit(limit))]


def open_batches(session: Session) -> list[Batch]:
    """Return the batches that are planned or being weighed, the oldest first."""
    states = [str(BatchState.PLANNED), str(BatchState.WEIGHING)]
    query = select(BatchRow).where(col(BatchRow.state).in_(states), col(BatchRow.archived).is_(False))
    return [_value(r) for r in session.exec(query.order_by(col(BatchRow.id)))]


def batch_by_code(session: Session, code: str) -> Batch | None:
    """Return the batch of a code, or None."""
    row = session.exec(select(BatchRow).where(BatchRow.code == code)).first() if code else None
    return _value(row) if row else None


def batches_on(session: Session, day: str) -> int:
    """Return how many batches have the codes of a day (ISO)."""
    query = select(func.count()).select_from(BatchRow).where(BatchRow.made_on == day, BatchRow.code != "")
    return session.exec(query).one()


def batches_of_lots(session: Session, lot_ids: Iterable[int]) -> list[Batch]:
    """Return the batches into which lots were weighed, the oldest first."""
    ids = select(WeighingRow.batch_id).where(col(WeighingRow.lot_id).in_(list(lot_ids))).distinct()
    query = select(BatchRow).where(col(BatchRow.id).in_(ids)).order_by(col(BatchRow.id))
    return [_value(r) for r in session.exec(query)]


def batches_of_bags(session: Session, bag_ids: Iterable[int]) -> dict[int, int]:
    """Return the batches that bags are of, by bag."""
    query = select(BagRow.id, BagRow.batch_id).where(col(BagRow.id).in_(sorted(set(bag_ids))))
    return {bag_id: batch_id for bag_id, batch_id in session.exec(query) if bag_id is not None}


def batches_fed_by(session: Session, batch_ids: Iterable[int]) -> list[int]:
    """Return the batches into which bags of batches were poured, by id."""
    bags = select(BagRow.id).where(col(BagRow.batch_id).in_(list(batch_ids)))
    query = select(WeighingRow.batch_id).where(col(WeighingRow.bag_id).in_(bags)).distinct()
    return sorted(session.exec(query))


def _row(session: Session, batch_id: int) -> BatchRow:
    row = session.get(BatchRow, batch_id)
    if row is None:
        raise NotFoundError("batch", batch_id)
    return row


def _values(batch: Batch) -> dict[str, Any]:
    kept = {n: getattr(batch, n) for n in _SAME if n not in ("created_at", "updated_at", "version")}
    return {
        **kept,
        "parts": [{"ingredient": p.ingredient, "mass_g": p.mass_g} for p in batch.parts],
        "wanted": asdict(batch.wanted),
        "targets": dict(batch.targets_g),
        "making": asdict(batch.making),
        "state": str(batch.state),
    }


def _value(row: BatchRow) -> Batch:
    assert row.id is not None
    return Batch(
        **{n: getattr(row, n) for n in _SAME},
        parts=tuple(Part(p["ingredient"], p["mass_g"]) for p in row.parts),
        wanted=Wanted(**row.wanted),
        targets_g=dict(row.targets),
        making=Making(**row.making),
        state=BatchState(row.state),
        id=row.id,
    )
