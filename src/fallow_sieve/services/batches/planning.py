"""A batch planned: from a kept revision, so many bags, on which scale, in which vessel."""

from __future__ import annotations

from dataclasses import dataclass, replace

from sqlmodel import Session

from fallow_sieve.core.batches.ahead import Ahead
from fallow_sieve.core.batches.batch import Batch, BatchState, Making
from fallow_sieve.core.batches.codes import check_own
from fallow_sieve.core.batches.planning import Wanted, needed
from fallow_sieve.core.batches.yields import learnt_loss_pct
from fallow_sieve.core.values import BadInputError, UnknownNameError
from fallow_sieve.reference.labelling import LANGUAGES, SCHEMES, mixing_rows
from fallow_sieve.services.batches.bags.losses import losses_pct
from fallow_sieve.store import BLENDS
from fallow_sieve.store.batches import add_batch, ahead_of, get_batch, save_ahead, save_batch


@dataclass(frozen=True, slots=True)
class Planned:
    """What is set on a plan: name, what is wanted, how it is made, a note, whether it is put away."""

    name: str
    wanted: Wanted
    making: Making
    note: str = ""
    archived: bool = False


def begin_plan(session: Session, blend_id: int, revision: int | None, now: str) -> Batch:
    """Plan a batch of a kept revision (None: the latest). Raises BadInputError where none is kept."""
    kept = BLENDS.revisions(session, blend_id)
    if not kept:
        raise BadInputError(
            "a draft cannot be made in bulk", place="/revision", right="keep it as a revision first, with its reason"
        )
    pinned = next((r for r in kept if r.number == revision), None) if revision else kept[-1]
    if pinned is None:
        right = f"one of {', '.join(str(r.number) for r in kept)}"
        raise BadInputError(f"revision {revision}", place="/revision", right=right)
    blend = pinned.content
    ahead = ahead_of(session)
    making = ahead.making()
    wanted = Wanted(bag_g=ahead.bag_g, loss_pct=learnt_loss_pct(losses_pct(session, making.blender)))
    batch = Batch(
        name=BLENDS.get(session, blend_id).name,
        revision=pinned.number,
        parts=blend.parts,
        wanted=wanted,
        targets_g=needed({p.ingredient: p.mass_g for p in blend.parts}, wanted, making.step_g).targets_g,
        making=making,
        blend_id=blend_id,
        use=blend.use,
    )
    return add_batch(session, batch, now)


def set_plan(session: Session, batch_id: int, planned: Planned, version: int, now: str) -> Batch:
    """Set a plan anew. Amounts stand once weighing has begun. Raises BadInputError, StaleSaveError."""
    batch = get_batch(session, batch_id)
    _check_blender(planned.making.blender, "/making/blender")
    set_now = replace(batch, name=planned.name, note=planned.note, archived=planned.archived)
    if batch.state is BatchState.PLANNED:
        parts_g = {p.ingredient: p.mass_g for p in batch.parts}
        targets = needed(parts_g, planned.wanted, planned.making.step_g).targets_g
        set_now = replace(set_now, wanted=planned.wanted, making=planned.making, targets_g=targets)
    elif planned.wanted != batch.wanted:
        raise BadInputError(
            f"{batch.code or batch.name} is being made", place="/wanted", right="amounts stand once weighing has begun"
        )
    else:
        set_now = replace(set_now, making=planned.making)
    return save_batch(session, set_now, version, now)


def set_ahead(session: Session, ahead: Ahead, version: int) -> None:
    """Set how mixes are made ahead. Raises BadInputError naming what cannot be, and StaleSaveError."""
    check_own(ahead.letters)
    for n, vessel in enumerate(ahead.vessels):
        _check_blender(vessel.blender, f"/vessels/{n}/blender")
    for name, given, known in (("scheme", ahead.scheme, SCHEMES), ("language", ahead.language, {"": "", **LANGUAGES})):
        if given not in known:
            raise UnknownNameError(name, given, list(known), place=f"/{name}")
    save_ahead(session, ahead, version)


def _check_blender(blender: str, place: str) -> None:
    if blender not in (names := [m.blender for m in mixing_rows()]):
        raise UnknownNameError("way of mixing", blender, names, place=place)
