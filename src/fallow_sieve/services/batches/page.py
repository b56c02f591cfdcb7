"""A batch with all that its page shows: the plan, the weigh-up, the bags, and what the mix is."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import asdict, dataclass, field
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.batches.adding import AddingStep, PartIn, order_of_adding
from fallow_sieve.core.batches.batch import (
    BagLeft,
    Batch,
    BatchState,
    Weighing,
    off_revision_pct,
    poured_g,
    standing_of,
)
from fallow_sieve.core.batches.codes import bag_code
from fallow_sieve.core.batches.keeping import UseBy, use_by
from fallow_sieve.core.batches.yields import Yield
from fallow_sieve.core.labels.label import OFF_REVISION_PCT
from fallow_sieve.reference.labelling import Mixing, mixing_rows, storage_clock
from fallow_sieve.services.batches.bags.even import EvennessSeen, evenness_of
from fallow_sieve.services.batches.bags.losses import yield_of
from fallow_sieve.services.batches.line import clean_first
from fallow_sieve.services.batches.lots_left import held_lots, lots_for
from fallow_sieve.services.batches.made import DrawOfBatch, Made, draws_of, kept_why, made_mix
from fallow_sieve.services.batches.mix import MixSeen, mix_seen
from fallow_sieve.services.batches.parts import PartAtScale, parts_seen
from fallow_sieve.services.batches.telling import sentence_of
from fallow_sieve.services.kitchen import KitchenNow, use_within
from fallow_sieve.services.labels.making import storage_kind
from fallow_sieve.services.stock.taking_back import why_not_back
from fallow_sieve.store import settings_of
from fallow_sieve.store.batches import Printed, StepDone, bags_of, get_batch, prints_of, steps_of, weighings_of
from fallow_sieve.store.ingredients import LotOnRecord
from fallow_sieve.store.stock import Hold, MoveOnRecord, holds_of, moves_of_bags


@dataclass(frozen=True, slots=True)
class WeighingSeen:
    """A weighing as it is shown: with its lot's code, and whether it counts (it was not voided)."""

    key: str
    ingredient: str
    lot_code: str
    net_g: float
    gross_g: float
    tare_g: float
    typed: bool
    at: str
    why: str
    counts: bool
    is_void: bool


@dataclass(frozen=True, slots=True)
class BagMove:
    """What moved in a bag: when, ± g, why, where to, and whether it can be taken back (it is of today)."""

    id: int
    kind: str
    at: str
    mass_g: float
    why: str
    where: str
    can_go_back: bool


@dataclass(frozen=True, slots=True)
class BagSeen:
    """A bag or bin: its code, g in and left, where it stands, until when it is to be used and why."""

    id: int
    code: str
    number: int
    is_bin: bool
    size_g: float
    net_g: float
    left_g: float
    place: str
    opened_on: str
    emptied_on: str
    use_by: str
    use_by_why: str
    moves: list[BagMove]


@dataclass(frozen=True, slots=True)
class BatchSeen:
    """A batch with all that its page shows; masses in g, money in the kitchen's currency."""

    id: int
    version: int
    code: str
    name: str
    blend_id: int | None
    revision: int
    use: str
    use_name: str
    state: str
    made_on: str
    note: str
    archived: bool
    wanted: dict[str, float | int | None]
    making: dict[str, float | str | None]
    vessel: Mixing
    need_g: float
    in_g: float
    left_g: float
    parts: list[PartAtScale]
    adding: list[AddingStep]
    weighings: list[WeighingSeen]
    steps: list[StepDone]
    bags: list[BagSeen]
    came_to: Yield | None
    off_revision: str
    mix: MixSeen | None
    best_before: str
    best_before_why: str
    cost: float | None
    currency: str
    holds: list[Hold]
    prints: list[Printed]
    clean_first: str
    evenness: list[EvennessSeen]
    say: str


@dataclass(frozen=True, slots=True)
class OnRecord:
    """A batch with what lies beside it in the store."""

    batch: Batch
    weighings: list[Weighing]
    bags: list[BagLeft]
    steps: list[StepDone]
    lots: dict[str, list[LotOnRecord]]
    held: dict[int, str]
    holds: list[Hold]
    moves: dict[int, list[MoveOnRecord]] = field(default_factory=dict)
    day: str = ""

    @property
    def lot_of(self) -> dict[int, LotOnRecord]:
        """The lots by id."""
        return {x.id: x for found in self.lots.values() for x in found}


def on_record(session: Session, batch_id: int, today: date | None = None) -> OnRecord:
    """Return a batch with what lies beside it; `today`: which moves may be taken back. Raises NotFoundError."""
    batch, bags = get_batch(session, batch_id), bags_of(session, [batch_id])[batch_id]
    return OnRecord(
        batch,
        weighings_of(session, [batch_id])[batch_id],
        bags,
        steps_of(session, batch_id),
        lots_for(session, batch.targets_g),
        held_lots(session),
        [h for h in holds_of(session, batch_ids=[batch_id]) if not h.released_at],
        moves_of_bags(session, [b.id for b in bags]),
        today.isoformat() if today else "",
    )


def batch_page(session: Session, batch_id: int, kitchen: KitchenNow, today: date) -> BatchSeen:
    """Return a batch with all that its page shows. Raises NotFoundError."""
    found = on_record(session, batch_id, today)
    batch = found.batch
    known = [s for s in batch.targets_g if s in kitchen.shelf]
    parts = parts_seen(session, found.batch, found.weighings, found.lots, found.held, kitchen.shelf, today)
    made = made_or_planned(found, parts, kitchen, today)
    in_g = sum(poured_g(found.weighings).values())
    return BatchSeen(
        id=batch.id, version=batch.version, code=batch.code, name=batch.name, blend_id=batch.blend_id,
        revision=batch.revision, use=batch.use or "", use_name=_use_name(batch, kitchen), state=str(batch.state),
        made_on=batch.made_on, note=batch.note, archived=batch.archived, wanted=asdict(batch.wanted),
        making=asdict(batch.making), vessel=_vessel(batch), need_g=sum(batch.targets_g.values()), in_g=in_g,
        left_g=sum(b.left_g for b in found.bags), parts=parts,
        adding=list(order_of_adding([PartIn(kitchen.shelf[s], batch.targets_g[s]) for s in known])),
        weighings=[_weighing(w, found) for w in found.weighings], steps=found.steps,
        bags=bags_seen(found, made, kitchen), came_to=yield_of(
            found.weighings, found.bags, found.steps, batch.wanted.loss_pct
        ),
        off_revision=_off(found),
        mix=_mix(found, parts, made, kitchen, today),
        best_before=made.kept.low.isoformat() if made and made.kept.low else "",
        best_before_why=kept_why(made.kept) if made else "", cost=_cost(parts),
        currency=settings_of(session).currency, holds=found.holds, prints=prints_of(session, batch_id),
        clean_first=clean_first(session, batch, kitchen.shelf), evenness=evenness_of(found.steps),
        say=sentence_of(batch, found.weighings, found.bags, parts, found.holds),
    )  # fmt: skip


_UNDER_WAY = (BatchState.PLANNED, BatchState.WEIGHING)


def _off(found: OnRecord) -> str:
    """That a mix that is all weighed left its revision, in words; empty within what is not said."""
    off_pct = off_revision_pct(found.batch, found.weighings)
    if found.batch.state in _UNDER_WAY or off_pct <= OFF_REVISION_PCT:
        return ""
    return f"What was weighed left its revision by {off_pct:.1f} % of mass."


def _mix(
    found: OnRecord, parts: Sequence[PartAtScale], made: Made | None, kitchen: KitchenNow, today: date
) -> MixSeen | None:
    """What the mix is; while it is weighed what it will be, so that no allergen or binder to come is left out."""
    if made is None:
        return None
    if found.batch.state is BatchState.WEIGHING:
        to_come = (d for p in parts if p.poured_g < p.low_g for d in _planned(p, found.lot_of))
        draws = (*draws_of(found.weighings, found.lot_of), *to_come)
        if all(d.ingredient in kitchen.shelf for d in draws):
            made = made_mix(found.batch, draws, kitchen, _made_on(found.batch, today))
    return mix_seen(found.batch, made, found.weighings, kitchen, found.held)


def made_or_planned(found: OnRecord, parts: Sequence[PartAtScale], kitchen: KitchenNow, today: date) -> Made | None:
    """Return the mix as weighed, or before anything is weighed as planned; None where nothing can be judged."""
    draws = draws_of(found.weighings, found.lot_of) or tuple(d for p in parts for d in _planned(p, found.lot_of))
    if not draws or any(d.ingredient not in kitchen.shelf for d in draws):
        return None
    return made_mix(found.batch, draws, kitchen, _made_on(found.batch, today))


def _planned(part: PartAtScale, lots: dict[int, LotOnRecord]) -> list[DrawOfBatch]:
    drawn = [DrawOfBatch(part.ingredient, d.mass_g, lots.get(d.id)) for d in part.draws]
    return [*drawn, *([DrawOfBatch(part.ingredient, part.short_g)] if part.short_g > 0 else [])]


def _made_on(batch: Batch, today: date) -> date:
    return date.fromisoformat(batch.made_on) if batch.made_on else today


def _use_name(batch: Batch, kitchen: KitchenNow) -> str:
    use = use_within(batch.use, kitchen.limits)
    return use.name if use else ""


def _vessel(batch: Batch) -> Mixing:
    rows = {m.blender: m for m in mixing_rows()}
    return rows.get(batch.making.blender) or mixing_rows()[0]


def _cost(parts: Sequence[PartAtScale]) -> float | None:
    return None if any(p.cost is None for p in parts) else sum(p.cost or 0.0 for p in parts)


def _weighing(w: Weighing, found: OnRecord) -> WeighingSeen:
    lot = found.lot_of.get(w.lot_id or 0)
    counts = w in standing_of(found.weighings)
    return WeighingSeen(
        w.key, w.ingredient, lot.lot.code if lot else "", w.net_g, w.gross_g, w.tare_g, w.typed, w.at, w.why, counts,
        w.voids is not None,
    )  # fmt: skip


def bags_seen(found: OnRecord, made: Made | None, kitchen: KitchenNow) -> list[BagSeen]:
    """Return bags as they are shown, each with the earlier of its two clocks."""
    return [_bag(b, found, bag_use_by(b, made, kitchen) if made else None) for b in found.bags]


def bag_use_by(bag: BagLeft, made: Made, kitchen: KitchenNow) -> UseBy:
    """Return until when a bag is to be used."""
    kind = storage_kind([made.shelf[p.ingredient] for p in made.blend.parts])
    clock = storage_clock(kind, kitchen.store_temp_c)
    return use_by(made.kept, date.fromisoformat(bag.opened_on) if bag.opened_on else None, clock)


def _bag(bag: BagLeft, found: OnRecord, until: UseBy | None) -> BagSeen:
    moves = found.moves.get(bag.id, [])
    back = {m.move.undoes for m in moves}
    return BagSeen(
        bag.id, bag_code(found.batch.code, bag.number), bag.number, bag.is_bin, bag.size_g, bag.net_g, bag.left_g,
        bag.place, bag.opened_on or "", bag.emptied_on or "", until.day.isoformat() if until and until.day else "",
        until.why if until else "", [_move(m, m.id in back, found.day) for m in moves],
    )  # fmt: skip


def _move(m: MoveOnRecord, taken_back: bool, day: str) -> BagMove:
    move = m.move
    can = not why_not_back(m, taken_back, day)
    return BagMove(m.id, str(move.kind), move.at, move.mass_g, move.why, move.where, can)
