"""Bags and bins: filled from a batch, opened, emptied, and what leaves them."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.batches.batch import BagLeft, Batch, BatchState, standing_of
from fallow_sieve.core.ingredients import check_count
from fallow_sieve.core.stock.moves import Move, MoveKind
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.batches.bags.bins import check_fits, held_in
from fallow_sieve.store.batches import (
    add_bag,
    bags_of,
    get_bag,
    get_batch,
    get_bin,
    put_batch,
    save_bag,
    save_bin,
    steps_of,
    taken_of,
    touch_batch,
    weighings_of,
)
from fallow_sieve.store.stock import is_held, record

MOST_BAGS = 500
MORE_THAN_IN_PCT = 1.0
_OUT = (MoveKind.USED, MoveKind.GONE_OUT, MoveKind.THROWN_AWAY)


@dataclass(frozen=True, slots=True)
class Filled:
    """What was filled: so many bags of `size_g` g with `net_g` g in each, where they stand, or one bin."""

    count: int
    size_g: float
    net_g: float
    place: str = ""
    is_bin: bool = False
    bin_id: int | None = None


def fill(session: Session, batch_id: int, filled: Filled, now: str) -> list[BagLeft]:
    """Fill bags from a blended batch. Raises BadInputError where more would be in them than was weighed."""
    batch = get_batch(session, batch_id)
    if batch.state not in (BatchState.BLENDED, BatchState.BAGGED):
        raise BadInputError(f"{batch.name} is {batch.state}", place="/state", right="blend it first")
    if not 1 <= filled.count <= MOST_BAGS:
        raise BadInputError(f"{filled.count} bags", place="/count", right=f"from 1 to {MOST_BAGS}")
    if not (math.isfinite(filled.net_g) and filled.net_g > 0):
        raise BadInputError(f"{filled.net_g:g} g in a bag", place="/net_g", right="more than nothing")
    if filled.bin_id is not None:
        filled = _into_bin(session, filled, filled.bin_id)
    _check_enough(session, batch, filled)
    made = [
        add_bag(session, batch_id, filled.size_g, filled.net_g, filled.place, now, filled.is_bin, filled.bin_id)
        for _ in range(filled.count)
    ]
    put_batch(session, replace(batch, state=BatchState.BAGGED), now)
    return made


def _into_bin(session: Session, filled: Filled, bin_id: int) -> Filled:
    found = check_fits(session, bin_id, filled.net_g)
    save_bin(session, bin_id, cleaned_at="")
    return replace(filled, count=1, is_bin=True, place=filled.place or found.place)


def _check_enough(session: Session, batch: Batch, filled: Filled) -> None:
    in_g = sum(w.net_g for w in standing_of(weighings_of(session, [batch.id])[batch.id]))
    out_g = sum(b.net_g for b in bags_of(session, [batch.id])[batch.id]) + taken_of(steps_of(session, batch.id)).total_g
    left_g = in_g * (1 + MORE_THAN_IN_PCT / 100) - out_g
    if filled.count * filled.net_g > left_g + 1e-6:
        right = f"{max(0.0, in_g - out_g):.0f} g of {in_g:.0f} g weighed are not in a bag yet"
        raise BadInputError(f"{filled.count} bags of {filled.net_g:g} g", place="/net_g", right=right)


@dataclass(frozen=True, slots=True)
class Leaving:
    """What leaves a bag, or what a count found left in it (g): the kind of move, why, where to, for which trial."""

    kind: MoveKind
    mass_g: float
    why: str = ""
    where: str = ""
    trial_id: int | None = None


def leave(session: Session, bag_id: int, leaving: Leaving, now: str) -> BagLeft:
    """Take from a bag, or count it. What is held only goes away. Raises BadInputError."""
    bag = get_bag(session, bag_id)
    if leaving.kind is MoveKind.COUNTED:
        change_g = round(leaving.mass_g - bag.left_g, 6)
        check_count(leaving.mass_g, bag.net_g)
    elif leaving.kind in _OUT:
        change_g = -abs(leaving.mass_g)
    else:
        raise BadInputError(f"{leaving.kind} of a bag", place="/kind", right=f"{', '.join(_OUT)} or counted")
    if leaving.kind in (MoveKind.USED, MoveKind.GONE_OUT) and is_held(session, batch_id=bag.batch_id):
        raise BadInputError("this batch is held", place="/kind", right="release it with a reason, or throw it away")
    if change_g:
        move = Move(
            leaving.kind, change_g, now, bag_id=bag_id, batch_id=bag.batch_id, trial_id=leaving.trial_id,
            why=leaving.why.strip(), where=leaving.where.strip(),
        )  # fmt: skip
        record(session, move)
        touch_batch(session, bag.batch_id, now)
    return get_bag(session, bag_id)


def weigh_bin(session: Session, bin_id: int, gross_g: float, now: str) -> BagLeft:
    """Count what is left in a bin by weighing it with what is in it. Raises BadInputError without its tare."""
    bag_id, found = held_in(session, bin_id), get_bin(session, bin_id)
    if found.tare_g is None:
        raise BadInputError(
            f"what {found.name} weighs empty is not known", place="/tare_g", right="weigh it empty once"
        )
    if gross_g < found.tare_g:
        right = f"at least its {found.tare_g:g} g"
        raise BadInputError(f"{gross_g:g} g is less than the empty bin", place="/gross_g", right=right)
    counted_g = round(gross_g - found.tare_g, 6)
    return leave(session, bag_id, Leaving(MoveKind.COUNTED, counted_g, "weighed with its bin"), now)


def set_bag(session: Session, bag_id: int, place: str, opened_on: date | None, now: str) -> BagLeft:
    """Set where a bag stands, and since when it is open. Raises BadInputError for a day to come."""
    bag = get_bag(session, bag_id)
    if opened_on is not None and opened_on.isoformat() > now[:10]:
        raise BadInputError(f"opened on {opened_on}", place="/opened_on", right=f"at the latest {now[:10]}")
    touch_batch(session, bag.batch_id, now)
    return save_bag(session, bag_id, place=place.strip(), opened_on=opened_on.isoformat() if opened_on else None)
