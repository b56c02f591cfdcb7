"""What changed between two blends: parts that moved, came and went, and what that did to every metric."""

from __future__ import annotations

from dataclasses import dataclass

from fallow_sieve.core.blends.analysis import Analysis, PartShare
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.values import Change, came_or_went, moved

OF_FLOUR = "% of flour"
LOT = "lot"  # the unit of a change of lots, which stand by their codes


@dataclass(frozen=True, slots=True)
class Difference:
    """The parts that changed, largest first, a change of lot beside its part; every metric in its unit.

    `moved_pct` is how much of the mass moved, % of flour base.
    """

    parts: tuple[Change, ...]
    metrics: tuple[Change, ...]
    moved_pct: float


_NOTICEABLE_PCT = 0.005


def difference(before: Analysis, after: Analysis) -> Difference:
    """Return what changed from `before` to `after`, in % of flour base; mass moved is ½ Σ|Δx|."""
    was = {p.ingredient: p for p in before.parts}
    now = {p.ingredient: p for p in after.parts}
    pairs = [(was.get(slug), now.get(slug)) for slug in dict.fromkeys([*was, *now])]
    moves = [(_share(*pair), _lot(*pair)) for pair in pairs]
    moves.sort(key=lambda m: -abs(m[0].size or 0.0))
    kept = [(share, lot) for share, lot in moves if abs(share.size or 0.0) > _NOTICEABLE_PCT or lot]
    parts = tuple(c for share, lot in kept for c in (share, lot) if c is not None)
    metrics = tuple(_metric(name, before, after) for name in METRICS)
    return Difference(parts, metrics, sum(abs(share.size or 0.0) for share, _ in kept) / 2)


def _share(old: PartShare | None, new: PartShare | None) -> Change:
    part = new or old
    assert part is not None
    was, now = old.flour_pct if old else None, new.flour_pct if new else None
    return came_or_went(part.ingredient, part.name, was, now, OF_FLOUR)


def _lot(old: PartShare | None, new: PartShare | None) -> Change | None:
    """The lots that a part of both drew on, where they differ; none named is an empty code."""
    if old is None or new is None or old.lot_code == new.lot_code:
        return None
    return Change(new.ingredient, new.name, old.lot_code, new.lot_code, LOT)


def _metric(name: str, before: Analysis, after: Analysis) -> Change:
    old, new, info = before.metrics[name], after.metrics[name], METRICS[name]
    known = old.is_known and new.is_known
    change = moved(name, info.label, old.typical, new.typical, info.unit)
    return change if known else Change(name, info.label, old.typical, new.typical, info.unit)
