"""Over-poured: the three ways out, each with its numbers; making more sets the targets anew."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from sqlmodel import Session

from fallow_sieve.core.batches.batch import Batch, bands_of, poured_g
from fallow_sieve.core.batches.over_pouring import LeaveIt, MakeMore, TakeOut, leave_it, make_more, room_g, take_out
from fallow_sieve.core.blends import Blend, Part
from fallow_sieve.core.ingredients import Role, Shelf
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.batches.lots_left import lots_for
from fallow_sieve.services.blends.judging import judged_blend
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store.batches import get_batch, save_batch, weighings_of


@dataclass(frozen=True, slots=True)
class Ways:
    """What can be done about an over-poured part (g): each way, None where it cannot be; fit before and after."""

    ingredient: str
    over_g: float
    take_out: TakeOut | None
    make_more: MakeMore | None
    leave_it: LeaveIt | None
    fit_before: float | None
    fit_after: float | None


def ways_out(session: Session, batch_id: int, ingredient: str, kitchen: KitchenNow) -> Ways:
    """Return the ways out of an over-poured part. Raises BadInputError where it is not over-poured."""
    batch, have = get_batch(session, batch_id), poured_g(weighings_of(session, [batch_id])[batch_id])
    target_g = batch.targets_g.get(ingredient, 0.0)
    more = make_more(
        batch.targets_g, have, ingredient, _stock(session, batch), room_g(batch.making.vessel_l, sum(have.values()))
    )
    tolerance_g = bands_of(batch)[ingredient].tolerance_g
    last = next(reversed(have), None)
    after = {s: have[ingredient] if s == ingredient else g for s, g in batch.targets_g.items()}
    return Ways(
        ingredient,
        have[ingredient] - target_g,
        take_out(target_g, tolerance_g, have[ingredient], last != ingredient),
        more,
        _leave(batch.targets_g, ingredient, have[ingredient], kitchen.shelf),
        _fit(batch, batch.targets_g, kitchen),
        _fit(batch, after, kitchen),
    )


def grow(session: Session, batch_id: int, ingredient: str, version: int, now: str) -> Batch:
    """Make the batch larger so that a part of which too much is in is right. Raises BadInputError where refused."""
    batch, have = get_batch(session, batch_id), poured_g(weighings_of(session, [batch_id])[batch_id])
    more = make_more(
        batch.targets_g, have, ingredient, _stock(session, batch), room_g(batch.making.vessel_l, sum(have.values()))
    )
    if more.refused:
        raise BadInputError("a larger batch", place="/way", right=f"{more.refused}: take out, or leave it")
    targets = {s: round(g, 3) for s, g in more.targets_g.items()}
    return save_batch(session, replace(batch, targets_g=targets), version, now)


def _stock(session: Session, batch: Batch) -> dict[str, float]:
    lots = lots_for(session, batch.targets_g)
    return {s: sum(x.lot.stock_g for x in found if not x.archived) for s, found in lots.items()}


def _leave(targets: Mapping[str, float], ingredient: str, poured: float, shelf: Shelf) -> LeaveIt | None:
    if any(s not in shelf for s in targets) or shelf[ingredient].role in (Role.BINDER, Role.OTHER):
        return None
    base_g = sum(g for s, g in targets.items() if shelf[s].role not in (Role.BINDER, Role.OTHER))
    binder_g = sum(g for s, g in targets.items() if shelf[s].role is Role.BINDER)
    return leave_it(base_g, targets[ingredient], poured, binder_g)


def _fit(batch: Batch, parts_g: Mapping[str, float], kitchen: KitchenNow) -> float | None:
    if any(s not in kitchen.shelf for s in parts_g):
        return None
    blend = Blend(tuple(Part(s, g) for s, g in parts_g.items() if g > 0), batch.name, batch.use)
    fit = judged_blend(blend, kitchen).fit
    return fit.score if fit else None
