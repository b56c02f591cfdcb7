"""How a batch stands, in one sentence."""

from __future__ import annotations

from collections.abc import Sequence

from fallow_sieve.core.batches.batch import BagLeft, Batch, BatchState, Weighing, poured_g
from fallow_sieve.core.values import counted
from fallow_sieve.services.batches.parts import PartAtScale
from fallow_sieve.store.stock import Hold


def sentence_of(
    batch: Batch,
    weighings: Sequence[Weighing],
    bags: Sequence[BagLeft],
    parts: Sequence[PartAtScale],
    holds: Sequence[Hold],
) -> str:
    """Return how a batch stands: what is held first, then what is short, over or missing, then what is left."""
    if holds:
        return f"Held: {holds[0].why}."
    if batch.state is BatchState.PLANNED:
        return _planned(batch, parts)
    if batch.state is BatchState.WEIGHING:
        return _weighing(weighings, parts)
    if batch.state is BatchState.BLENDED:
        return f"{_kg(sum(poured_g(weighings).values()))} blended, in no bag yet."
    if batch.state is BatchState.BAGGED:
        left = [b for b in bags if b.left_g > 0]
        in_bags = sum(b.net_g for b in bags)
        return f"{_kg(sum(b.left_g for b in left))} of {_kg(in_bags)} left in {counted(len(left), 'bag')}."
    return "Used up." if batch.state is BatchState.USED_UP else "Given up."


def _planned(batch: Batch, parts: Sequence[PartAtScale]) -> str:
    short = [p for p in parts if p.short_g > 0]
    need = _kg(sum(batch.targets_g.values()))
    if short:
        first = short[0]
        more = f" and {counted(len(short) - 1, 'other flour')}" if short[1:] else ""
        return f"{need} planned; {first.short_g:.0f} g of {first.name.lower()}{more} short."
    splits = [p for p in parts if len(p.draws) > 1]
    said = f"; {splits[0].name.lower()} from {len(splits[0].draws)} lots" if splits else ""
    return f"{need} planned, and all of it is in the bins{said}."


def _weighing(weighings: Sequence[Weighing], parts: Sequence[PartAtScale]) -> str:
    over = next((p for p in parts if p.stands == "held"), None)
    if over is not None:
        return f"{over.name} is over-poured by {over.poured_g - over.target_g:.0f} g."
    done = sum(1 for p in parts if p.stands == "passes")
    if done == len(parts):
        return f"All {done} parts are in: {_kg(sum(poured_g(weighings).values()))}."
    nxt = next(p for p in parts if p.stands != "passes")
    return f"{done} of {len(parts)} parts are in; next {nxt.name.lower()}, {nxt.missing_g:g} g."


def _kg(mass_g: float) -> str:
    return f"{mass_g / 1000:.3g} kg" if mass_g >= 1000 else f"{mass_g:.0f} g"
