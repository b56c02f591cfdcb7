"""The batches of a kitchen, a line each: first what needs a hand, then the newest; and all of it in one sentence."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from sqlmodel import Session

from fallow_sieve.core.batches.batch import BagLeft, Batch, BatchState, Weighing
from fallow_sieve.core.blends import Part
from fallow_sieve.core.values import counted
from fallow_sieve.services.batches.lots_left import held_lots
from fallow_sieve.services.batches.made import DrawOfBatch, Made, draws_of, made_mix
from fallow_sieve.services.batches.page import bag_use_by
from fallow_sieve.services.blends.column import PartOfMix, column_of
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store.batches import bags_of, page_of_batches, weighings_of
from fallow_sieve.store.ingredients import LotOnRecord, all_lots
from fallow_sieve.store.stock import open_holds

STALE_SOON_DAYS = 14
_FIRST = ("stale", "held", "half")


@dataclass(frozen=True, slots=True)
class BatchStanding:
    """A batch as one line: its column, code, mix, made on, binder, left of made (g), what goes stale first and when.

    `hand` says why it needs one: `stale` within two weeks, `held`, `half` weighed; empty: it needs none.
    """

    id: int
    code: str
    name: str
    revision: int
    state: str
    made_on: str
    column: list[PartOfMix]
    binder_is_in: bool | None
    made_g: float
    left_g: float
    use_by: str
    use_by_why: str
    open_since: str
    bags: int
    hand: str
    hand_say: str


@dataclass(frozen=True, slots=True)
class BatchesSeen:
    """The batches, what needs a hand first, and where the next page begins (None: nowhere)."""

    items: list[BatchStanding]
    say: str
    next: int | None


def batches_seen(session: Session, kitchen: KitchenNow, today: date, before: int = 0, limit: int = 50) -> BatchesSeen:
    """Return a page of batches, newest first within it, what needs a hand before the rest."""
    found = page_of_batches(session, before, limit + 1)
    shown, ids = found[:limit], [b.id for b in found[:limit]]
    weighed, bags = weighings_of(session, ids), bags_of(session, ids)
    lots = {x.id: x for x in all_lots(session)}
    held = {h.batch_id: h.why for h in open_holds(session) if h.batch_id is not None}
    held_lot_ids = held_lots(session)
    at = _At(kitchen, today, lots, held, held_lot_ids)
    items = [_standing(at, b, weighed[b.id], bags[b.id]) for b in shown]
    items.sort(key=lambda x: _FIRST.index(x.hand) if x.hand else len(_FIRST))
    return BatchesSeen(items, _sentence(items), shown[-1].id if len(found) > limit else None)


@dataclass(frozen=True, slots=True)
class _At:
    kitchen: KitchenNow
    today: date
    lots: dict[int, LotOnRecord]
    held: dict[int, str]
    held_lots: dict[int, str]


def _standing(at: _At, batch: Batch, weighings: Sequence[Weighing], bags: Sequence[BagLeft]) -> BatchStanding:
    made = _made(at, batch, weighings)
    left = [b for b in bags if b.left_g > 0]
    until = [bag_use_by(b, made, at.kitchen) for b in left] if made else []
    first = min((u for u in until if u.day), key=lambda u: u.day or date.max, default=None)
    hand, say = _hand(at, batch, first.day if first else None)
    load = made.judgement.binder.load if made else None
    return BatchStanding(
        id=batch.id, code=batch.code, name=batch.name, revision=batch.revision, state=str(batch.state),
        made_on=batch.made_on, column=column_of(made.blend.parts if made else batch.parts, at.kitchen.shelf),
        binder_is_in=None if load is None else load > 0, made_g=sum(b.net_g for b in bags),
        left_g=sum(b.left_g for b in left), use_by=first.day.isoformat() if first and first.day else "",
        use_by_why=first.why if first else "", open_since=min((b.opened_on for b in left if b.opened_on), default=""),
        bags=len(left), hand=hand, hand_say=say,
    )  # fmt: skip


def _made(at: _At, batch: Batch, weighings: Sequence[Weighing]) -> Made | None:
    draws = draws_of(weighings, at.lots) or _as_planned(batch)
    if any(d.ingredient not in at.kitchen.shelf for d in draws):
        return None
    return made_mix(batch, draws, at.kitchen, date.fromisoformat(batch.made_on) if batch.made_on else at.today)


def _as_planned(batch: Batch) -> tuple[DrawOfBatch, ...]:
    parts: Sequence[Part] = batch.parts
    return tuple(DrawOfBatch(p.ingredient, p.mass_g) for p in parts)


def _hand(at: _At, batch: Batch, until: date | None) -> tuple[str, str]:
    if batch.id in at.held:
        return "held", at.held[batch.id]
    if batch.state is BatchState.WEIGHING:
        return "half", "half weighed"
    if until is not None and until <= at.today + timedelta(days=STALE_SOON_DAYS):
        days = (until - at.today).days
        return (
            "stale",
            f"use it: {counted(days, 'day')} left" if days >= 0 else f"past its day by {counted(-days, 'day')}",
        )
    return "", ""


def _sentence(items: Sequence[BatchStanding]) -> str:
    left = [x for x in items if x.left_g > 0]
    if not left:
        open_now = [x for x in items if x.state in ("planned", "weighing")]
        return f"{counted(len(open_now), 'batch', 'batches')} on the way, nothing made is left." if items else ""
    bags = sum(x.bags for x in left)
    said = f"{counted(len({x.name for x in left}), 'mix', 'mixes')} in {counted(bags, 'bag')}"
    first = min((x for x in left if x.use_by), key=lambda x: x.use_by, default=None)
    if first is None:
        return f"{said}."
    since = f" is open since {_day(first.open_since)}," if first.open_since else ":"
    return f"{said}; {first.name}{since} use by {_day(first.use_by)}."


def _day(iso: str) -> str:
    day = date.fromisoformat(iso)
    return f"{day.day} {day:%B}"
