"""A batch: the pinned revision it is made from, what is wanted, what was weighed, and how far it is.

States: planned → weighing → blended → bagged → used up; beside them abandoned.
A slip of a weighing is voided by a second record, never changed.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from enum import StrEnum

from fallow_sieve.core.batches.planning import TOLERANCE_OF_SMALL_PCT, TOLERANCE_PCT, Band, Wanted, band, is_small
from fallow_sieve.core.blends import Part
from fallow_sieve.core.values import BadInputError


class BatchState(StrEnum):
    """How far a batch is."""

    PLANNED = "planned"
    WEIGHING = "weighing"
    BLENDED = "blended"
    BAGGED = "bagged"
    USED_UP = "used-up"
    ABANDONED = "abandoned"


FORWARD = {
    BatchState.PLANNED: BatchState.WEIGHING,
    BatchState.WEIGHING: BatchState.BLENDED,
    BatchState.BLENDED: BatchState.BAGGED,
    BatchState.BAGGED: BatchState.USED_UP,
}
BACK = {
    BatchState.WEIGHING: BatchState.PLANNED,
    BatchState.BLENDED: BatchState.WEIGHING,
    BatchState.BAGGED: BatchState.BLENDED,
}


@dataclass(frozen=True, slots=True)
class Making:
    """How a batch is made: a way of mixing (slug), vessel (L), the scale's name, step and capacity, container (g).

    The tolerances are % of a part: of one, and of a small one, under 5 % of the batch.
    """

    blender: str = "bowl-whisk"
    vessel_l: float | None = None
    scale: str = "Simulated scale"
    step_g: float = 1.0
    capacity_g: float = 5000.0
    container_g: float = 0.0
    tolerance_pct: float = TOLERANCE_PCT
    tolerance_of_small_pct: float = TOLERANCE_OF_SMALL_PCT


@dataclass(frozen=True, slots=True)
class Weighing:
    """One weighing, g: what, from which lot, target and tolerance, gross, tare, net, typed or read, voiding which.

    `bag_id`: poured in from a bag of an earlier batch, whose own draw was from `lot_id`.
    """

    key: str
    ingredient: str
    net_g: float
    lot_id: int | None = None
    target_g: float = 0.0
    tolerance_g: float = 0.0
    gross_g: float = 0.0
    tare_g: float = 0.0
    scale: str = ""
    step_g: float = 1.0
    typed: bool = False
    at: str = ""
    bag_id: int | None = None
    voids: int | None = None
    why: str = ""
    id: int = 0


@dataclass(frozen=True, slots=True)
class BagLeft:
    """A bag or bin: its number, size, what went in and what is left (g), where it stands, since when it is open."""

    id: int
    batch_id: int
    number: int
    size_g: float
    net_g: float
    left_g: float
    is_bin: bool = False
    place: str = ""
    opened_on: str | None = None
    emptied_on: str | None = None
    bin_id: int | None = None
    version: int = 1


@dataclass(frozen=True, slots=True)
class Batch:
    """A batch as it is on record. `parts` are the revision's, copied; `targets_g` what of each is wanted, g."""

    name: str
    revision: int
    parts: tuple[Part, ...]
    wanted: Wanted
    targets_g: Mapping[str, float]
    making: Making = field(default_factory=Making)
    blend_id: int | None = None
    use: str | None = None
    code: str = ""
    state: BatchState = BatchState.PLANNED
    made_on: str = ""
    note: str = ""
    archived: bool = False
    created_at: str = ""
    updated_at: str = ""
    version: int = 1
    id: int = 0


def standing_of(weighings: Iterable[Weighing]) -> tuple[Weighing, ...]:
    """Return the weighings that count: none that was voided, and none that voids."""
    kept = list(weighings)
    gone = {w.voids for w in kept if w.voids is not None}
    return tuple(w for w in kept if w.voids is None and w.id not in gone)


def poured_g(weighings: Iterable[Weighing]) -> dict[str, float]:
    """Return what is in, g by ingredient."""
    found: dict[str, float] = {}
    for w in standing_of(weighings):
        found[w.ingredient] = round(found.get(w.ingredient, 0.0) + w.net_g, 6)
    return found


def drawn_g(weighings: Iterable[Weighing]) -> dict[tuple[str, int | None], float]:
    """Return what is in, g by ingredient and lot."""
    found: dict[tuple[str, int | None], float] = {}
    for w in standing_of(weighings):
        found[w.ingredient, w.lot_id] = round(found.get((w.ingredient, w.lot_id), 0.0) + w.net_g, 6)
    return found


def bands_of(batch: Batch) -> dict[str, Band]:
    """Return how close each part's weighing has to come, by ingredient."""
    total_g = sum(batch.targets_g.values())
    by = batch.making
    return {
        s: band(g, by.step_g, by.tolerance_of_small_pct if is_small(g, total_g) else by.tolerance_pct)
        for s, g in batch.targets_g.items()
    }


def next_part(batch: Batch, weighings: Sequence[Weighing]) -> str | None:
    """Return the part to be poured next: the first that is not up to its least; None where all are."""
    have = poured_g(weighings)
    return next((s for s, b in bands_of(batch).items() if have.get(s, 0.0) < b.low_g - 1e-9), None)


def off_revision_pct(batch: Batch, weighings: Iterable[Weighing]) -> float:
    """Return how far the made mix left its revision, % of mass: half the sum of the shares' differences."""
    have = poured_g(weighings)
    total_g, parts_g = sum(have.values()), sum(p.mass_g for p in batch.parts)
    if total_g <= 0 or parts_g <= 0:
        return 0.0
    planned = {p.ingredient: p.mass_g / parts_g for p in batch.parts}
    names = {*planned, *have}
    return 50 * sum(abs(have.get(n, 0.0) / total_g - planned.get(n, 0.0)) for n in names)


def check_step(
    batch: Batch, to: BatchState, weighings: Sequence[Weighing], bags: Sequence[BagLeft], moved: bool = False
) -> None:
    """Raise BadInputError unless a batch may go to the state `to`; `moved`: a bag was opened or has left."""
    if to is BatchState.ABANDONED and batch.state in (BatchState.PLANNED, BatchState.WEIGHING, BatchState.BLENDED):
        return
    why = _why_not(batch, to, weighings, bags, moved)
    if why:
        raise BadInputError(f"from {batch.state} to {to}", place="/state", right=why)


def _why_not(batch: Batch, to: BatchState, weighings: Sequence[Weighing], bags: Sequence[BagLeft], moved: bool) -> str:
    if FORWARD.get(batch.state) is to:
        if to is BatchState.BLENDED and next_part(batch, weighings) is not None:
            return f"{next_part(batch, weighings)} is not weighed up yet"
        if to is BatchState.BAGGED and not bags:
            return "fill a bag first"
        if to is BatchState.USED_UP and any(b.left_g > 0 for b in bags):
            return "something is left in a bag"
        return ""
    if BACK.get(batch.state) is not to:
        return "one step at a time"
    if to is BatchState.PLANNED and standing_of(weighings):
        return "something is weighed already: void it first"
    if to is BatchState.WEIGHING and bags:
        return "a bag is filled already"
    if to is BatchState.BLENDED and moved:
        return "a bag is open or has left: correct it by a count"
    return ""
