"""Moves of stock: added one by one, each with the sum it makes in the same transaction."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Any

from sqlalchemy import insert
from sqlmodel import Session, col, select

from fallow_sieve.core.stock.moves import Move, MoveKind, check_move
from fallow_sieve.core.values import BadInputError
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import BagRow, LotRow, StockMoveRow

_DECIMALS = 6
_NOTHING_G = 1e-6


@dataclass(frozen=True, slots=True)
class MoveOnRecord:
    """A move with its id."""

    id: int
    move: Move


def record(session: Session, move: Move) -> float:
    """Add a move and return what is then in stock, g. Raises BadInputError where there is too little; nothing moves.

    The lot's or bag's version rises with it, so that nobody who read the stock before saves it over.
    """
    check_move(move)
    row = _holder(session, move)
    before = row.stock_g if isinstance(row, LotRow) else row.left_g
    after = round(before + move.mass_g, _DECIMALS)
    if after < -_NOTHING_G:
        what = row.code if isinstance(row, LotRow) else f"bag {row.number}"
        raise BadInputError(
            f"{-move.mass_g:g} g from {what}, of which {before:g} g are left",
            place="/mass_g",
            right="take less, or count what is there first",
        )
    session.add(StockMoveRow(**_values(move)))
    if isinstance(row, LotRow):
        row.stock_g = max(0.0, after)
    else:
        row.left_g = max(0.0, after)
        row.emptied_on = move.at[:10] if row.left_g <= 0 else None
    row.version += 1
    session.add(row)
    session.flush()
    return max(0.0, after)


def _holder(session: Session, move: Move) -> LotRow | BagRow:
    found = session.get(LotRow, move.lot_id) if move.lot_id is not None else session.get(BagRow, move.bag_id)
    if found is None:
        raise NotFoundError("lot" if move.lot_id is not None else "bag", move.lot_id or move.bag_id or 0)
    return found


def add_moves(session: Session, moves: Sequence[Move]) -> None:
    """Add moves whose sums are written already in this transaction: what comes in as a table."""
    for move in moves:
        check_move(move)
    if moves:
        session.execute(insert(StockMoveRow), [_values(m) for m in moves])


def _values(move: Move) -> dict[str, Any]:
    return {
        "kind": str(move.kind),
        "mass_g": move.mass_g,
        "at": move.at,
        "lot_id": move.lot_id,
        "bag_id": move.bag_id,
        "batch_id": move.batch_id,
        "trial_id": move.trial_id,
        "why": move.why,
        "where_to": move.where,
        "undoes": move.undoes,
    }


def moves_of_lot(session: Session, lot_id: int) -> list[MoveOnRecord]:
    """Return the moves of a lot, the first one first."""
    rows = session.exec(select(StockMoveRow).where(StockMoveRow.lot_id == lot_id).order_by(col(StockMoveRow.id)))
    return [_record(r) for r in rows]


@dataclass(frozen=True, slots=True)
class MoveSeen:
    """A move as it is shown: when (ISO, UTC), kind, ± g, why, where to, for which batch."""

    at: str
    kind: str
    mass_g: float
    why: str
    where_to: str
    batch_id: int | None


def moves_seen(session: Session, lot_id: int) -> list[MoveSeen]:
    """Return the moves of a lot as they are shown, the first one first."""
    found = [m.move for m in moves_of_lot(session, lot_id)]
    return [MoveSeen(m.at, str(m.kind), m.mass_g, m.why, m.where, m.batch_id) for m in found]


def get_move(session: Session, move_id: int) -> MoveOnRecord:
    """Return a move. Raises NotFoundError."""
    row = session.get(StockMoveRow, move_id)
    if row is None:
        raise NotFoundError("move", move_id)
    return _record(row)


def is_taken_back(session: Session, move_id: int) -> bool:
    """Return whether a move was taken back by another."""
    return session.exec(select(StockMoveRow.id).where(StockMoveRow.undoes == move_id)).first() is not None


def moves_of_bags(session: Session, bag_ids: Iterable[int]) -> dict[int, list[MoveOnRecord]]:
    """Return the moves of bags, by bag, the first one first."""
    wanted = list(bag_ids)
    found: dict[int, list[MoveOnRecord]] = {n: [] for n in wanted}
    query = select(StockMoveRow).where(col(StockMoveRow.bag_id).in_(wanted)).order_by(col(StockMoveRow.id))
    for row in session.exec(query):
        assert row.bag_id is not None  # asked by it
        found[row.bag_id].append(_record(row))
    return found


def _record(row: StockMoveRow) -> MoveOnRecord:
    assert row.id is not None
    move = Move(
        MoveKind(row.kind),
        row.mass_g,
        row.at,
        row.lot_id,
        row.bag_id,
        row.batch_id,
        row.trial_id,
        row.why,
        row.where_to,
        row.undoes,
    )
    return MoveOnRecord(row.id, move)
