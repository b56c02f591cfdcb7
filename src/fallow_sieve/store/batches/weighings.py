"""Weighings: under the key that the device gave, once, together with the move of stock that they are."""

from __future__ import annotations

from sqlmodel import Session, col, select

from fallow_sieve.core.batches.batch import Weighing
from fallow_sieve.core.stock.moves import Move, MoveKind
from fallow_sieve.store.stock import record
from fallow_sieve.store.tables import WeighingRow

_FIELDS = tuple(n for n in Weighing.__dataclass_fields__ if n != "id")


def add_weighing(session: Session, batch_id: int, weighing: Weighing) -> Weighing:
    """Add a weighing and draw it from its bag or lot, or where it voids another give that one's flour back.

    Raises BadInputError where the lot holds too little; then nothing is written.
    """
    row = WeighingRow(batch_id=batch_id, **{n: getattr(weighing, n) for n in _FIELDS})
    if weighing.lot_id is not None or weighing.bag_id is not None:
        kind, sign = (MoveKind.WEIGHED, -1) if weighing.voids is None else (MoveKind.VOIDED, 1)
        lot_id = weighing.lot_id if weighing.bag_id is None else None
        move = Move(kind, sign * weighing.net_g, weighing.at, lot_id, weighing.bag_id, batch_id, why=weighing.why)
        record(session, move)
    session.add(row)
    session.flush()
    return _value(row)


def weighing_by_key(session: Session, key: str) -> tuple[int, Weighing] | None:
    """Return the batch and the weighing of a device's key, or None."""
    row = session.exec(select(WeighingRow).where(WeighingRow.key == key)).first()
    return (row.batch_id, _value(row)) if row else None


def weighings_of(session: Session, batch_ids: list[int]) -> dict[int, list[Weighing]]:
    """Return the weighings of batches, by batch, the first one first."""
    found: dict[int, list[Weighing]] = {n: [] for n in batch_ids}
    query = select(WeighingRow).where(col(WeighingRow.batch_id).in_(batch_ids)).order_by(col(WeighingRow.id))
    for row in session.exec(query):
        found[row.batch_id].append(_value(row))
    return found


def _value(row: WeighingRow) -> Weighing:
    assert row.id is not None
    return Weighing(**{n: getattr(row, n) for n in _FIELDS}, id=row.id)
