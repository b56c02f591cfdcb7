"""A weighing: checked against the part, its lot and the scale, and counted once with the stock it moves."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.batches.batch import Batch, BatchState, Weighing, bands_of, standing_of
from fallow_sieve.core.batches.drawing import why_not
from fallow_sieve.core.ingredients import check_count
from fallow_sieve.core.stock.moves import Move, MoveKind
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.services.batches.lots_left import held_lots, lots_left
from fallow_sieve.store import OtherReadingError, touch_shelf
from fallow_sieve.store.batches import add_weighing, get_batch, touch_batch, weighing_by_key, weighings_of
from fallow_sieve.store.ingredients import LotOnRecord, check_lot_of, get_lot
from fallow_sieve.store.stock import record

_SAME = ("ingredient", "net_g", "lot_id", "gross_g", "tare_g", "typed")


@dataclass(frozen=True, slots=True)
class Weighed:
    """What was weighed under a key: net, gross and tare (g), from which lot, typed or read while stable, and why."""

    key: str
    ingredient: str
    net_g: float
    lot_id: int | None = None
    gross_g: float = 0.0
    tare_g: float = 0.0
    typed: bool = False
    stable: bool = True
    why: str = ""


def weigh(session: Session, batch_id: int, weighed: Weighed, now: str, today: date) -> Weighing:
    """Add a weighing and draw it from its lot. The same key again answers as the first time.

    Raises BadInputError for what cannot be, and where a lot past its date or held is drawn from without a reason.
    """
    before = weighing_by_key(session, weighed.key)
    if before is not None:
        return _as_before(before, batch_id, weighed)
    batch = get_batch(session, batch_id)
    _check(batch, weighed)
    if weighed.lot_id is not None:
        _check_lot(session, weighed, today, now)
    band = bands_of(batch)[weighed.ingredient]
    made = Weighing(
        key=weighed.key, ingredient=weighed.ingredient, net_g=weighed.net_g, lot_id=weighed.lot_id,
        target_g=band.target_g, tolerance_g=band.tolerance_g, gross_g=weighed.gross_g or weighed.net_g,
        tare_g=weighed.tare_g, scale=batch.making.scale, step_g=batch.making.step_g, typed=weighed.typed,
        at=now, why=weighed.why.strip(),
    )  # fmt: skip
    found = add_weighing(session, batch_id, made)
    touch_batch(session, batch_id, now)
    touch_shelf(session, [weighed.ingredient])
    return found


def _as_before(before: tuple[int, Weighing], batch_id: int, weighed: Weighed) -> Weighing:
    of_batch, found = before
    same = all(getattr(found, n) == getattr(weighed, n) for n in _SAME if n != "gross_g")
    if of_batch != batch_id or not same:
        raise OtherReadingError(weighed.key)
    return found


def _check(batch: Batch, weighed: Weighed) -> None:
    if batch.state is not BatchState.WEIGHING:
        raise BadInputError(f"{batch.name} is {batch.state}", place="/state", right="begin weighing first")
    if weighed.ingredient not in batch.targets_g:
        right = f"one of {', '.join(batch.targets_g)}"
        raise BadInputError(f"{shown(weighed.ingredient)} is not in this mix", place="/ingredient", right=right)
    if not (math.isfinite(weighed.net_g) and weighed.net_g > 0):
        raise BadInputError(f"{weighed.net_g:g} g", place="/net_g", right="more than nothing")
    if not (weighed.stable or weighed.typed):
        raise BadInputError("the scale does not stand still", place="/stable", right="wait until it does, or type it")


def _check_lot(session: Session, weighed: Weighed, today: date, now: str) -> None:
    check_lot_of(session, weighed.ingredient, weighed.lot_id)
    lot = get_lot(session, weighed.lot_id or 0)
    (left,) = lots_left([lot], held_lots(session))
    why = why_not(left, today)
    if why and not weighed.why.strip():
        raise BadInputError(f"{lot.lot.code} is {why}", place="/why", right="say why it is drawn from, or take another")
    _found_more(session, lot, weighed.net_g, now)


def _found_more(session: Session, lot: LotOnRecord, net_g: float, now: str) -> None:
    """A bag holds a little more than it says: what is poured beyond its books is counted in first."""
    over_g = round(net_g - lot.lot.stock_g, 6)
    if over_g <= 0:
        return
    check_count(lot.lot.bought_g + over_g, lot.lot.bought_g)
    record(session, Move(MoveKind.COUNTED, over_g, now, lot_id=lot.id, why="more in it than its books said"))


def void(session: Session, batch_id: int, key: str, new_key: str, why: str, now: str) -> Weighing:
    """Void a weighing by a second record with its reason: its flour goes back to its lot. Twice is once."""
    before = weighing_by_key(session, new_key)
    if before is not None:
        return before[1]
    if not why.strip():
        raise BadInputError(
            "a weighing voided without a reason", place="/why", right="spilled, wrong flour, typed twice …"
        )
    batch = get_batch(session, batch_id)
    if batch.state is not BatchState.WEIGHING:
        raise BadInputError(f"{batch.name} is {batch.state}", place="/state", right="go back to weighing first")
    slip = next((w for w in standing_of(weighings_of(session, [batch_id])[batch_id]) if w.key == key), None)
    if slip is None:
        raise BadInputError(f"no weighing {shown(key)} that counts", place="/key", right="one that is not voided yet")
    found = add_weighing(session, batch_id, voiding(slip, new_key, why, now))
    for n, w in enumerate(_poured_with(slip, weighings_of(session, [batch_id])[batch_id]), 1):
        add_weighing(session, batch_id, voiding(w, f"{new_key}-{n}", why, now))
    touch_batch(session, batch_id, now)
    touch_shelf(session, [slip.ingredient])
    return found


def _poured_with(slip: Weighing, weighings: Sequence[Weighing]) -> list[Weighing]:
    """The other parts of a mix that came in by the same pour: they go back with it."""
    if slip.bag_id is None:
        return []
    pour = slip.key.rpartition("-")[0]
    return [w for w in standing_of(weighings) if w.bag_id == slip.bag_id and w.key.rpartition("-")[0] == pour]


def voiding(slip: Weighing, key: str, why: str, now: str) -> Weighing:
    """Return the record that voids a weighing."""
    return Weighing(
        key=key, ingredient=slip.ingredient, net_g=slip.net_g, lot_id=slip.lot_id, target_g=slip.target_g,
        scale=slip.scale, step_g=slip.step_g, at=now, bag_id=slip.bag_id, voids=slip.id, why=why.strip(),
    )  # fmt: skip


def found_empty(session: Session, batch_id: int, lot_id: int, now: str) -> float:
    """Count a lot of one of the batch's parts as empty. Return how much its books still held, g. BadInputError."""
    batch, lot = get_batch(session, batch_id), get_lot(session, lot_id)
    if lot.ingredient not in batch.targets_g:
        right = f"a lot of {', '.join(batch.targets_g)}"
        raise BadInputError(f"{lot.lot.code} is in no part of this mix", place="/lot_id", right=right)
    if lot.lot.stock_g > 0:
        record(session, Move(MoveKind.COUNTED, -lot.lot.stock_g, now, lot_id=lot_id, why="found empty"))
        touch_batch(session, batch_id, now)
        touch_shelf(session, [lot.ingredient])
    return lot.lot.stock_g
