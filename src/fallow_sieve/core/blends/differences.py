"""What changed between two blends: parts that moved, came and went, and what that did to every metric."""

from __future__ import annotations

from dataclasses import dataclass

from fallow_sieve.core.blends.analysis import Analysis, PartShare
from fallow_sieve.core.blends.metrics import METRICS


@dataclass(frozen=True, slots=True)
class PartChange:
    """A part before and after, in % of flour base (None: absent); `change_pct` is after less before.

    The lots it drew on stand by their codes, empty where none was named.
    """

    ingredient: str
    name: str
    before_pct: float | None
    after_pct: float | None
    change_pct: float
    before_lot: str = ""
    after_lot: str = ""


@dataclass(frozen=True, slots=True)
class MetricChange:
    """A metric before and after in its unit, and after less before (None where either is unknown)."""

    metric: str
    before: float | None
    after: float | None
    change: float | None


@dataclass(frozen=True, slots=True)
class Difference:
    """The parts that changed, largest first; every metric; and how much of the mass moved (% of flour base)."""

    parts: tuple[PartChange, ...]
    metrics: tuple[MetricChange, ...]
    moved_pct: float


_NOTICEABLE_PCT = 0.005


def difference(before: Analysis, after: Analysis) -> Difference:
    """Return what changed from `before` to `after`, in % of flour base; mass moved is ½ Σ|Δx|."""
    was = {p.ingredient: p for p in before.parts}
    now = {p.ingredient: p for p in after.parts}
    changes = []
    for slug in dict.fromkeys([*was, *now]):
        change = _part_change(was.get(slug), now.get(slug))
        if abs(change.change_pct) > _NOTICEABLE_PCT or (slug in was and slug in now and _lot_changed(change)):
            changes.append(change)
    changes.sort(key=lambda c: -abs(c.change_pct))
    metrics = tuple(_metric_change(name, before, after) for name in METRICS)
    return Difference(tuple(changes), metrics, sum(abs(c.change_pct) for c in changes) / 2)


def _part_change(old: PartShare | None, new: PartShare | None) -> PartChange:
    was, now = old.flour_pct if old else None, new.flour_pct if new else None
    part = new or old
    assert part is not None
    lots = old.lot_code if old else "", new.lot_code if new else ""
    return PartChange(part.ingredient, part.name, was, now, (now or 0.0) - (was or 0.0), *lots)


def _lot_changed(change: PartChange) -> bool:
    return change.before_lot != change.after_lot


def _metric_change(name: str, before: Analysis, after: Analysis) -> MetricChange:
    old, new = before.metrics[name], after.metrics[name]
    change = None
    if old.is_known and new.is_known and old.typical is not None and new.typical is not None:
        change = new.typical - old.typical
    return MetricChange(name, old.typical, new.typical, change)
