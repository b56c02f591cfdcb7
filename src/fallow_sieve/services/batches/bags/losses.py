"""What batches lost on their way, by how they were mixed: the loss a plan begins with."""

from __future__ import annotations

from collections.abc import Sequence

from sqlmodel import Session

from fallow_sieve.core.batches.batch import BagLeft, BatchState, Weighing, standing_of
from fallow_sieve.core.batches.yields import Yield, balance_of
from fallow_sieve.store.batches import StepDone, bags_of, page_of_batches, taken_of, weighings_of

_LAST = 40
_DONE = (BatchState.BAGGED, BatchState.USED_UP)


def losses_pct(session: Session, blender: str) -> list[float]:
    """Return what the last batches mixed so lost from scale to bag, %, the oldest first."""
    done = [b for b in page_of_batches(session, limit=_LAST) if b.making.blender == blender and b.state in _DONE]
    ids = [b.id for b in done]
    weighed, bags = weighings_of(session, ids), bags_of(session, ids)
    yields = [yield_of(weighed[b.id], bags[b.id], (), b.wanted.loss_pct) for b in reversed(done)]
    return [max(0.0, 100 - y.yield_pct) for y in yields if y is not None]


def yield_of(
    weighings: Sequence[Weighing], bags: Sequence[BagLeft], steps: Sequence[StepDone], wanted_loss_pct: float
) -> Yield | None:
    """Return what a batch came to, `wanted_loss_pct` in %; None until something is bagged."""
    in_g = sum(w.net_g for w in standing_of(weighings))
    if in_g <= 0 or not bags:
        return None
    return balance_of(in_g, sum(b.net_g for b in bags), taken_of(steps), wanted_loss_pct)
