"""Holding a lot holds the batches it went into; a drill follows one and holds nothing."""

from __future__ import annotations

from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.stock.trace import trace_lot
from fallow_sieve.store import touch_shelf
from fallow_sieve.store.batches import get_batch, touch_batch
from fallow_sieve.store.ingredients import get_lot
from fallow_sieve.store.stock import Drill, begin_drill, end_drill, hold, is_held, release


@dataclass(frozen=True, slots=True)
class Held:
    """What a hold would hold, or held: the batches by code, how many bags, g in the house."""

    batches: list[str]
    bags: int
    left_g: float
    say: str


def would_hold(session: Session, lot_id: int, shelf: Shelf) -> Held:
    """Return what goes on hold with a lot. Raises NotFoundError."""
    trace = trace_lot(session, lot_id, shelf)
    codes = [f"{b.name} {b.code}" for b in trace.batches]
    bags, left = sum(b.bags for b in trace.batches), sum(b.left_g for b in trace.batches)
    return Held(codes, bags, left, trace.say)


def hold_lot(session: Session, lot_id: int, why: str, now: str, shelf: Shelf, recalled: bool = False) -> Held:
    """Hold a lot, and with it every batch that it went into. Raises BadInputError without a reason."""
    _reason(why)
    lot = get_lot(session, lot_id)
    found = would_hold(session, lot_id, shelf)
    hold(session, now, why, lot_id=lot_id, recalled=recalled)
    for batch in trace_lot(session, lot_id, shelf).batches:
        reason = f"{lot.lot.code} is held: {why.strip()}"
        hold(session, now, reason, batch_id=batch.id, with_lot_id=lot_id, recalled=recalled)
        touch_batch(session, batch.id, now)
    touch_shelf(session, [lot.ingredient])
    return found


def release_lot(session: Session, lot_id: int, why: str, now: str) -> int:
    """Release a lot with what it holds, each of which stays held by any other cause. Return how many holds ended."""
    _reason(why)
    lot = get_lot(session, lot_id)
    ended = release(session, now, why, lot_id=lot_id)
    touch_shelf(session, [lot.ingredient])
    return ended


def hold_batch(session: Session, batch_id: int, why: str, now: str, recalled: bool = False) -> None:
    """Hold a batch. Raises BadInputError without a reason, NotFoundError."""
    _reason(why)
    get_batch(session, batch_id)
    hold(session, now, why, batch_id=batch_id, recalled=recalled)
    touch_batch(session, batch_id, now)


def release_batch(session: Session, batch_id: int, why: str, now: str) -> None:
    """Release a batch from what holds it by itself. Raises BadInputError where a lot still holds it."""
    _reason(why)
    get_batch(session, batch_id)
    release(session, now, why, batch_id=batch_id)
    touch_batch(session, batch_id, now)
    if is_held(session, batch_id=batch_id):
        raise BadInputError("this batch is held with a lot", place="/why", right="release the lot")


def _reason(why: str) -> None:
    if not why.strip():
        raise BadInputError("no reason", place="/why", right="say why: it stays on record")


def drill(session: Session, lot_id: int, now: str, shelf: Shelf) -> Drill:
    """Begin a drill: find every bag that a lot went into."""
    return begin_drill(session, lot_id, would_hold(session, lot_id, shelf).left_g, now)


def found_in_drill(session: Session, drill_id: int, found_g: float, missing: str, now: str) -> Drill:
    """End a drill with what was found, g."""
    return end_drill(session, drill_id, found_g, missing, now)
