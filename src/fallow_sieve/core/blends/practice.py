"""Bands from a record of practice: what people bake for a use, and what is known to fail.

Good is the middle 80 % of the record for a use, schools weighing alike from five mixes on. A wall stands a little
beyond all of it: a hard limit where a mix on record is known to fail there, else only the edge of practice, which
holds nothing. Rules of thumb, all of them; see docs/method.md.
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from itertools import pairwise

from fallow_sieve.core.blends.metrics import METRICS, NUTRITION, MetricKind
from fallow_sieve.core.blends.mix_class import MixClass
from fallow_sieve.core.blends.uses import UseBand, UsualRange

TAIL = 0.1  # left out of the good band on the side that is judged
BEYOND = 0.15  # of the record's span: how far practice may go beyond the record
WALL_PER_EDGE = 5 / 12  # so that d is 0.4 at practice's edge on its line from 1 to 0.15
TOWARDS_FAILURE = 0.4
SHORT_OF_FAILURE = 0.7
ALIKE_FROM = 5
ENOUGH_ALONE = 25


@dataclass(frozen=True, slots=True)
class SieveRow:
    """One sieve of the record: its metric, which side is judged (1 high, −1 low), its weight, a least span."""

    metric: str
    side: int
    weight: float
    span: float


# Fat and starch say the same of a mix of nuts, so they share one weight.
ROWS = (
    SieveRow("sticky_share_pct", 1, 1.2, 30),
    SieveRow("thirst_g_per_g", 1, 1.2, 0.6),
    SieveRow("starch_share_pct", 1, 0.8, 30),
    SieveRow("flour_starch_pct", -1, 0.5, 20),
    SieveRow("flour_fat_pct", 1, 0.5, 15),
    SieveRow("grit_index", 1, 1.0, 1.2),
    SieveRow("flavour_index", 1, 0.5, 1.2),
    SieveRow("lightness_l", -1, 0.3, 12),
)
PROTEIN_POWDERS = (15.0, 25.0)  # good most and most: isolates dry and toughen, whatever the use


@dataclass(frozen=True, slots=True)
class Kept:
    """A mix of the record: key, use, school and class, its metrics in their units; `why` it works or fails."""

    key: str
    use: str
    school: str
    mix_class: MixClass
    values: Mapping[str, float]
    why: str = ""
    held_by: str = ""


@dataclass(frozen=True, slots=True)
class Record:
    """What works and what fails, with the family of each use and the use whose record helps where its own is short."""

    mixes: Sequence[Kept]
    failures: Sequence[Kept]
    families: Mapping[str, str]
    kin: Mapping[str, str] = field(default_factory=dict)

    def of(self, use: str, mix_class: MixClass) -> list[Kept]:
        """Return the mixes that speak for a use: its own; for a class apart its family's, or all of the class."""
        mine = [m for m in self.mixes if m.mix_class is mix_class]
        own = [m for m in mine if m.use == use]
        if mix_class is MixClass.PLAIN or not own:
            return own
        family = [m for m in mine if self.families[m.use] == self.families[use]]
        return family if len(family) >= ALIKE_FROM else mine


def quantile(values: Iterable[tuple[float, float]], q: float) -> float:
    """Return the q-quantile (0–1) of (value, weight) pairs, each value at the middle of its weight, linear between.

    >>> quantile([(1, 1), (2, 1), (3, 1)], 0.5)
    2.0
    """
    ordered = sorted(values)
    total = sum(w for _, w in ordered)
    points, below = [], 0.0
    for value, weight in ordered:
        points.append(((below + weight / 2) / total, float(value)))
        below += weight
    if q <= points[0][0]:
        return points[0][1]
    for (a, low), (b, high) in pairwise(points):
        if q <= b:
            return low + (high - low) * (q - a) / (b - a)
    return points[-1][1]


def bands_of(record: Record, use: str, mix_class: MixClass = MixClass.PLAIN) -> tuple[UseBand, ...]:
    """Return the bands of a use for a class of mix, in the order of `ROWS`; empty where nothing is on record."""
    own = record.of(use, mix_class)
    if not own:
        return ()
    return (*(_band(record, use, mix_class, row, own) for row in ROWS), _protein_powders(mix_class, len(own)))


def usual_nutrition(record: Record, use: str) -> tuple[UsualRange, ...]:
    """Return where the mixes of a use lie on what a mix gives to eat, whatever their class; empty where none is."""
    own = [m for m in record.mixes if m.use == use]
    found = []
    for metric in NUTRITION:
        values = [(m.values[metric], 1.0) for m in own if metric in m.values]
        if values:
            low, high = (_rounded(quantile(values, q)) for q in (TAIL, 1 - TAIL))
            found.append(UsualRange(metric, low, high, len(values)))
    return tuple(found)


def _protein_powders(mix_class: MixClass, mixes: int) -> UseBand:
    good, most = PROTEIN_POWDERS if mix_class is MixClass.PLAIN else (100.0, 100.0)
    why = "Isolates and powders dry and toughen it"
    return UseBand(0, 0, good, most, "protein_powder_share_pct", weight=0.8, mixes=mixes, why=why)


def _band(record: Record, use: str, mix_class: MixClass, row: SieveRow, own: Sequence[Kept]) -> UseBand:
    """All on the side that is judged: values are mirrored for a low side, so that more is always worse."""
    schools = Counter(m.school for m in own)
    values = [(row.side * m.values[row.metric], 1 / max(ALIKE_FROM, schools[m.school])) for m in own]
    outermost = max(v for v, _ in values)
    span = max(outermost - min(v for v, _ in values), row.span)
    good = quantile(values, 1 - TAIL)
    edge = max(outermost, *_of_kin(record, use, mix_class, row, len(own))) + BEYOND * span
    failure = _first_failure(record, use, mix_class, row, outermost)
    wall = edge + WALL_PER_EDGE * (edge - good)
    if failure is not None:
        at = row.side * failure.values[row.metric]
        wall = max(wall, edge + TOWARDS_FAILURE * (at - edge))
        wall = min(wall, outermost + SHORT_OF_FAILURE * (at - outermost))
    holds = failure is not None and METRICS[row.metric].kind is not MetricKind.PALATE
    return _one_sided(row, good, max(wall, good), holds, len(own), failure.why if failure and holds else "")


def _of_kin(record: Record, use: str, mix_class: MixClass, row: SieveRow, own: int) -> tuple[float, ...]:
    """Where a use has few mixes on record, what is baked for its nearest kin has worked too."""
    if own >= ENOUGH_ALONE or mix_class is not MixClass.PLAIN or use not in record.kin:
        return (-math.inf,)
    return (-math.inf, *(row.side * m.values[row.metric] for m in record.of(record.kin[use], mix_class)))


def _first_failure(record: Record, use: str, mix_class: MixClass, row: SieveRow, outermost: float) -> Kept | None:
    """The failure nearest to what still works, of the use or its kin; none that lies among what works."""
    found = [
        f
        for f in record.failures
        if f.held_by == row.metric
        and f.mix_class is mix_class
        and f.use in (use, record.kin.get(use))
        and row.side * f.values[row.metric] > outermost + 1e-9
    ]
    return min(found, key=lambda f: row.side * f.values[row.metric], default=None)


def _one_sided(row: SieveRow, good: float, wall: float, holds: bool, mixes: int, why: str) -> UseBand:
    metric = METRICS[row.metric]
    good, wall = _rounded(row.side * good), _rounded(row.side * wall)
    basis = f"from {mixes} mixes"
    if row.side > 0:
        top = min(wall, metric.highest)
        limits = (metric.lowest, metric.lowest, min(good, top), top)
        return UseBand(*limits, row.metric, row.weight, basis, holds_high=holds, mixes=mixes, why=why)
    bottom = max(wall, metric.lowest)
    limits = (bottom, max(good, bottom), metric.highest, metric.highest)
    return UseBand(*limits, row.metric, row.weight, basis, holds_low=holds, mixes=mixes, why=why)


def _rounded(value: float) -> float:
    return float(f"{value:.3g}")
