"""Moves of today taken back by a counter-move; older ones are mended by a count. Nothing is deleted."""

from __future__ import annotations

from dataclasses import replace

from sqlmodel import Session

from fallow_sieve.core.stock.moves import Move, MoveKind
from fallow_sieve.core.values import BadInputError
from fallow_sieve.store import touch_shelf
from fallow_sieve.store.batches import get_bag, touch_batch
from fallow_sieve.store.ingredients import get_lot
from fallow_sieve.store.stock import MoveOnRecord, get_move, is_taken_back, record

BY_HAND = (MoveKind.USED, MoveKind.GONE_OUT, MoveKind.THROWN_AWAY, MoveKind.COUNTED, MoveKind.RETURNED)
_OTHERWISE = {
    MoveKind.WEIGHED: "void the weighing, with why",
    MoveKind.BAGGED: "count the bag",
    MoveKind.BOUGHT: "put the lot away",
}


def why_not_back(found: MoveOnRecord, taken_back: bool, today: str) -> str:
    """Return what is to be done instead of taking a move back; empty where it can be."""
    move = found.move
    if move.undoes is not None or taken_back:
        return "it is taken back already"
    if move.kind not in BY_HAND or move.trial_id is not None:
        return _OTHERWISE.get(move.kind, "mend it where it was noted")
    return "" if move.at[:10] == today else "it is not of today: count what is there"


def take_back(session: Session, move_id: int, now: str) -> Move:
    """Take back a move of today. Return the counter-move. Raises BadInputError, NotFoundError."""
    found = get_move(session, move_id)
    right = why_not_back(found, is_taken_back(session, move_id), now[:10])
    if right:
        raise BadInputError(f"{found.move.kind}, {found.move.mass_g:g} g", place="/move_id", right=right)
    back = replace(found.move, mass_g=-found.move.mass_g, at=now, undoes=move_id)
    record(session, back)
    if back.bag_id is not None:
        touch_batch(session, get_bag(session, back.bag_id).batch_id, now)
    elif back.lot_id is not None:
        touch_shelf(session, [get_lot(session, back.lot_id).ingredient])
    return back
