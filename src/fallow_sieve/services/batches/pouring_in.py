"""A mix drawn into another: a bag of an earlier batch poured in, its parts by the lots that it had been drawn from.

Nothing can come into itself: a batch has bags only once all of it is weighed, and after one has left it is not opened
again.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

from sqlmodel import Session

from fallow_sieve.core.batches.batch import BagLeft, Batch, BatchState, Weighing, drawn_g
from fallow_sieve.core.values import BadInputError
from fallow_sieve.store import OtherReadingError, touch_shelf
from fallow_sieve.store.batches import (
    add_weighing,
    get_bag,
    get_batch,
    touch_batch,
    weighing_by_key,
    weighings_of,
)
from fallow_sieve.store.stock import is_held

_DECIMALS = 6


def pour_in(session: Session, batch_id: int, key: str, bag_id: int, mass_g: float, now: str) -> list[Weighing]:
    """Pour `mass_g` g of a bag into a batch that is being weighed. Return its parts; the same key again does nothing.

    Raises BadInputError where the batch has no place for one of its parts, or the bag is held or holds too little.
    """
    before = weighing_by_key(session, f"{key}-1")
    if before is not None:
        return _as_before(session, before, batch_id, bag_id, mass_g)
    batch, bag = get_batch(session, batch_id), get_bag(session, bag_id)
    source = get_batch(session, bag.batch_id)
    drawn = drawn_g(weighings_of(session, [source.id])[source.id])
    _check(session, batch, bag, mass_g, sorted({slug for slug, _ in drawn}))
    made = [
        add_weighing(session, batch_id, _part(batch, bag, f"{key}-{n}", slug, lot_id, part_g, now))
        for n, ((slug, lot_id), part_g) in enumerate(_shares(drawn, mass_g), 1)
    ]
    for touched in (batch_id, source.id):
        touch_batch(session, touched, now)
    touch_shelf(session, sorted({w.ingredient for w in made}))
    return made


def _as_before(
    session: Session, before: tuple[int, Weighing], batch_id: int, bag_id: int, mass_g: float
) -> list[Weighing]:
    of_batch, first = before
    pour = first.key.rpartition("-")[0]
    found = [w for w in weighings_of(session, [of_batch])[of_batch] if w.key.rpartition("-")[0] == pour]
    if of_batch != batch_id or first.bag_id != bag_id or not math.isclose(sum(w.net_g for w in found), mass_g):
        raise OtherReadingError(pour)
    return found


def _check(session: Session, batch: Batch, bag: BagLeft, mass_g: float, slugs: Sequence[str]) -> None:
    if batch.state is not BatchState.WEIGHING:
        raise BadInputError(f"{batch.name} is {batch.state}", place="/state", right="begin weighing first")
    if bag.batch_id == batch.id:
        raise BadInputError("a batch into itself", place="/bag_id", right="a bag of an earlier batch")
    if not (math.isfinite(mass_g) and 0 < mass_g <= bag.left_g + 1e-9):
        right = f"over 0 and at most {bag.left_g:g} g, which are left in it"
        raise BadInputError(f"{mass_g:g} g from bag {bag.number}", place="/mass_g", right=right)
    strange = [s for s in slugs if s not in batch.targets_g]
    if strange:
        right = "a bag of a mix whose parts are all in this one"
        raise BadInputError(f"{', '.join(strange)} is not in {batch.name}", place="/bag_id", right=right)
    if is_held(session, batch_id=bag.batch_id):
        raise BadInputError("that batch is held", place="/bag_id", right="release it with a reason first")


def _shares(drawn: dict[tuple[str, int | None], float], mass_g: float) -> list[tuple[tuple[str, int | None], float]]:
    """What `mass_g` g of a mix are made of; the last part takes what rounding left, so that they add up."""
    total_g = sum(drawn.values())
    parts = [(k, round(mass_g * g / total_g, _DECIMALS)) for k, g in drawn.items()]
    last, rest = parts[-1][0], sum(g for _, g in parts[:-1])
    return [x for x in (*parts[:-1], (last, round(mass_g - rest, _DECIMALS))) if x[1] > 0]


def _part(batch: Batch, bag: BagLeft, key: str, slug: str, lot_id: int | None, part_g: float, now: str) -> Weighing:
    return Weighing(
        key=key, ingredient=slug, net_g=part_g, lot_id=lot_id, target_g=batch.targets_g[slug], gross_g=part_g,
        scale=batch.making.scale, step_g=batch.making.step_g, at=now, bag_id=bag.id, why="out of an earlier batch",
    )  # fmt: skip
