"""A batch goes on, or back a step: its code is given when weighing begins, and stands."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.batches.batch import BagLeft, Batch, BatchState, Weighing, check_step, standing_of
from fallow_sieve.core.batches.codes import batch_code
from fallow_sieve.core.stock.moves import MoveKind
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.batches.weighing import voiding
from fallow_sieve.store import touch_shelf
from fallow_sieve.store.batches import (
    StepDone,
    add_step,
    add_weighing,
    bags_of,
    batches_on,
    get_batch,
    save_batch,
    weighings_of,
)
from fallow_sieve.store.stock import moves_of_bags

_QUIET = (MoveKind.BAGGED, MoveKind.COUNTED)


@dataclass(frozen=True, slots=True)
class Going:
    """Where a batch goes: the state; of a batch given up, of each ingredient whether it goes `back` or `away`; why."""

    to: BatchState
    fate: Mapping[str, str] = field(default_factory=dict)
    why: str = ""


def go_on(session: Session, batch_id: int, going: Going, version: int, now: str, today: date, own: str = "") -> Batch:
    """Bring a batch to another state; `own` are the kitchen's letters in front of its code.

    Raises BadInputError with what stands in the way, and StaleSaveError.
    """
    batch = get_batch(session, batch_id)
    if batch.version != version:
        return save_batch(session, batch, version, now)  # says that it is stale before it says what else is wrong
    weighings, bags = weighings_of(session, [batch_id])[batch_id], bags_of(session, [batch_id])[batch_id]
    check_step(batch, going.to, weighings, bags, _moved(session, bags))
    if going.to is BatchState.ABANDONED:
        _give_up(session, batch, standing_of(weighings), going, now)
    made = replace(batch, state=going.to)
    if going.to is BatchState.WEIGHING and not batch.code:
        made = replace(made, made_on=today.isoformat(), code=_next_code(session, today, own))
    return save_batch(session, made, version, now)


def _next_code(session: Session, today: date, own: str) -> str:
    return batch_code(today, batches_on(session, today.isoformat()) + 1, own)


def _moved(session: Session, bags: list[BagLeft]) -> bool:
    moves = moves_of_bags(session, [b.id for b in bags])
    left = any(m.move.kind not in _QUIET for found in moves.values() for m in found)
    return left or any(b.opened_on for b in bags)


def _give_up(session: Session, batch: Batch, standing: tuple[Weighing, ...], going: Going, now: str) -> None:
    """What was weighed goes back or is thrown away, each said."""
    unsaid = sorted({w.ingredient for w in standing if going.fate.get(w.ingredient) not in ("back", "away")})
    if unsaid:
        right = f"say of {', '.join(unsaid)}: back into its lot, or thrown away"
        raise BadInputError("what was weighed lies somewhere", place="/fate", right=right)
    for w in standing:
        if going.fate[w.ingredient] == "back":
            add_weighing(session, batch.id, voiding(w, f"{w.key}-back", going.why or "batch given up", now))
    if standing:
        touch_shelf(session, sorted({w.ingredient for w in standing}))
    add_step(session, batch.id, StepDone("given-up", now, said=dict(going.fate), note=going.why.strip()))
