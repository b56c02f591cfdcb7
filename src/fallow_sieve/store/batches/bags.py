"""Bags and bins of batches. What is left in one is the sum of its moves."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.batches.batch import BagLeft
from fallow_sieve.core.stock.moves import Move, MoveKind
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.stock import record
from fallow_sieve.store.tables import BagRow

_FIELDS = tuple(BagLeft.__dataclass_fields__)


def add_bag(
    session: Session,
    batch_id: int,
    size_g: float,
    net_g: float,
    place: str,
    now: str,
    is_bin: bool,
    bin_id: int | None = None,
) -> BagLeft:
    """Add the next bag of a batch with `net_g` g in it; `bin_id` is the bin it is."""
    last = max((b.number for b in bags_of(session, [batch_id])[batch_id]), default=0)
    row = BagRow(
        batch_id=batch_id, number=last + 1, is_bin=is_bin, size_g=size_g, net_g=net_g, left_g=0.0,
        place=place.strip(), bin_id=bin_id,
    )  # fmt: skip
    session.add(row)
    session.flush()
    record(session, Move(MoveKind.BAGGED, net_g, now, bag_id=row.id, batch_id=batch_id))
    return _value(row)


def get_bag(session: Session, bag_id: int) -> BagLeft:
    """Return a bag. Raises NotFoundError."""
    return _value(_row(session, bag_id))


def save_bag(session: Session, bag_id: int, **values: Any) -> BagLeft:
    """Set where a bag stands, or since when it is open or empty."""
    row = _row(session, bag_id)
    for name, value in values.items():
        setattr(row, name, value)
    row.version += 1
    session.add(row)
    session.flush()
    return _value(row)


def bags_of(session: Session, batch_ids: Iterable[int]) -> dict[int, list[BagLeft]]:
    """Return the bags of batches, by batch, in the order of their numbers."""
    wanted = list(batch_ids)
    found: dict[int, list[BagLeft]] = {n: [] for n in wanted}
    for row in session.exec(select(BagRow).where(col(BagRow.batch_id).in_(wanted)).order_by(col(BagRow.number))):
        found[row.batch_id].append(_value(row))
    return found


def _row(session: Session, bag_id: int) -> BagRow:
    row = session.get(BagRow, bag_id)
    if row is None:
        raise NotFoundError("bag", bag_id)
    return row


def _value(row: BagRow) -> BagLeft:
    return BagLeft(**{n: getattr(row, n) for n in _FIELDS})
