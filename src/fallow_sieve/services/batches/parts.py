"""The parts of a batch at the scale: target and band, what is in, from which lots, what is short, what it costs."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.batches.batch import Batch, Weighing, bands_of, poured_g
from fallow_sieve.core.batches.drawing import Draw
from fallow_sieve.core.batches.over_pouring import take_out
from fallow_sieve.core.batches.planning import Band, dilution_of, pours
from fallow_sieve.core.ingredients import Shelf, short_name
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.batches.lots_left import LotChoice, choices, drawn_after, lots_left, price_of, reserved_g
from fallow_sieve.store.ingredients import LotOnRecord

_NOTHING_G = 1e-6


@dataclass(frozen=True, slots=True)
class PartAtScale:
    """A part at the scale, g: target and band, what is in and missing, lots to draw from, pours, dilution, cost."""

    ingredient: str
    name: str
    role: str
    mix_pct: float
    target_g: float
    low_g: float
    high_g: float
    poured_g: float
    missing_g: float
    stands: str
    too_coarse: bool
    dilute: str
    pours: int
    draws: list[Draw]
    short_g: float
    reserved_g: float
    left_out: list[str]
    lots: list[LotChoice]
    take_out_g: float | None
    cost: float | None


def parts_seen(
    session: Session,
    batch: Batch,
    weighings: Sequence[Weighing],
    lots: dict[str, list[LotOnRecord]],
    held: dict[int, str],
    shelf: Shelf,
    today: date,
) -> list[PartAtScale]:
    """Return the parts of a batch as they stand at the scale, in the order of the revision."""
    have, bands, reserved = poured_g(weighings), bands_of(batch), reserved_g(session, batch.id)
    at = _At(batch, shelf, held, today)
    return [
        _part(at, slug, bands[slug], have.get(slug, 0.0), lots[slug], reserved.get(slug, 0.0))
        for slug in batch.targets_g
    ]


@dataclass(frozen=True, slots=True)
class _At:
    batch: Batch
    shelf: Shelf
    held: dict[int, str]
    today: date


def _part(at: _At, slug: str, band: Band, in_g: float, lots: list[LotOnRecord], reserved: float) -> PartAtScale:
    missing_g = max(0.0, band.target_g - in_g)
    drawn = drawn_after(missing_g, reserved, lots_left(lots, at.held), at.today)
    item = next((at.shelf[s] for s in (slug,) if s in at.shelf), None)
    over = take_out(band.target_g, band.tolerance_g, in_g)
    return PartAtScale(
        ingredient=slug,
        name=short_name(item.name) if item else slug.replace("-", " "),
        role=str(item.role) if item else "other",
        mix_pct=100 * band.target_g / (sum(at.batch.targets_g.values()) or 1.0),
        target_g=band.target_g, low_g=band.low_g, high_g=band.high_g, poured_g=in_g, missing_g=missing_g,
        stands=_stands(band, in_g), too_coarse=band.too_coarse, dilute=_dilute(band, at.batch),
        pours=_pours(band, at.batch), draws=list(drawn.draws), short_g=drawn.short_g, reserved_g=reserved,
        left_out=list(drawn.left_out), lots=choices(lots, at.held, at.today),
        take_out_g=over.take_out_g if over else None, cost=_cost(at, band.target_g, reserved, lots),
    )  # fmt: skip


def _stands(band: Band, in_g: float) -> str:
    if in_g <= _NOTHING_G:
        return "open"
    if in_g < band.low_g - _NOTHING_G:
        return "close"
    return "passes" if in_g <= band.high_g + _NOTHING_G else "held"


def _dilute(band: Band, batch: Batch) -> str:
    found = dilution_of(band.target_g, batch.making.step_g)
    if found is None:
        return ""
    return f"{found.say} A finer scale or a larger batch is better."


def _pours(band: Band, batch: Batch) -> int:
    try:
        return pours(band.target_g, batch.making.capacity_g, batch.making.container_g)
    except BadInputError:
        return 0  # the container alone is too heavy: the page says so


def _cost(at: _At, target_g: float, reserved: float, lots: list[LotOnRecord]) -> float | None:
    drawn = drawn_after(target_g, reserved, lots_left(lots, at.held), at.today)
    return None if drawn.short_g > _NOTHING_G else price_of(drawn.draws, lots)
