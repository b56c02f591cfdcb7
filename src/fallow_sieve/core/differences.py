"""What changed between two blends: parts that moved, came and went, and what that did to every metric."""

from __future__ import annotations

from dataclasses import dataclass

from fallow_sieve.core.blends import METRICS, Analysis


@dataclass(frozen=True, slots=True)
class PartChange:
    """A part before and after, in % of flour base (None: absent); `change_pct` is after less before."""

    ingredient: str
    name: str
    before_pct: float | None
    after_pct: float | None
    change_pct: float


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
        old = was[slug].flour_pct if slug in was else None
        new = now[slug].flour_pct if slug in now else None
        changed = (new or 0.0) - (old or 0.0)
        if abs(changed) > _NOTICEABLE_PCT:
            name = (now.get(slug) or was[slug]).name
            changes.append(PartChange(slug, name, old, new, changed))
    changes.sort(key=lambda c: -abs(c.change_pct))
    metrics = tuple(_metric_change(name, before, after) for name in METRICS)
    return Difference(tuple(changes), metrics, sum(abs(c.change_pct) for c in changes) / 2)


def _metric_change(name: str, before: Analysis, after: Analysis) -> MetricChange:
    old, new = before.metrics[name], after.metrics[name]
    change = None
    if old.is_known and new.is_known and old.typical is not None and new.typical is not None:
        change = new.typical - old.typical
    return MetricChange(name, old.typical, new.typical, change)
