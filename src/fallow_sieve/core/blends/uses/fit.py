"""Fit to a use: bands on metrics, how far a blend is from each, and one number for all.

Fit is the weighted geometric mean of the desirabilities (`values.bands`), × 100: never 0, so that two mixes that are
held can be told apart. The bands come from a record of practice (`blends.practice`) and are rules of thumb.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.bag import BINDER_WALLS, BINDER_WEIGHT, amounts, binder_in_bag
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.blends.mix_class import MixClass, class_of, egg_carries
from fallow_sieve.core.blends.uses.changes import THIS_BRIEF
from fallow_sieve.core.blends.uses.use import Use, UseBand
from fallow_sieve.core.ingredients import short_name
from fallow_sieve.core.values import EDGE, WORST_FIRST, Estimate, Status, probability_between


@dataclass(frozen=True, slots=True)
class BandResult:
    """How a blend stands at one band.

    `distance` is signed, to the nearer good edge, in the metric's unit: negative short, positive over, 0
    inside; `margin` the same in widths of the good band. `p_inside_hard` is 0–1. All None where unknown. Of a mix for
    several uses it is the band of the use that it stands worst for, `layers` are those of all.
    """

    band: UseBand
    estimate: Estimate
    status: Status
    desirability: float | None
    distance: float | None
    p_inside_hard: float | None
    layers: tuple[UseLayer, ...] = ()

    @property
    def off_by(self) -> float:
        """The distance in widths of the good band; 0 where it passes or is unknown."""
        if self.distance is None or self.status is Status.PASS:
            return 0.0
        return self.distance / max(self.band.good_high - self.band.good_low, EDGE)

    @property
    def called(self) -> str:
        """The metric in a sentence."""
        return METRICS[self.band.metric].label.lower()


@dataclass(frozen=True, slots=True)
class UseLayer:
    """The band of one of several uses on a sieve, how the mix stands there, and how far off (None: unknown)."""

    use: str
    name: str
    band: UseBand
    status: Status
    distance: float | None


@dataclass(frozen=True, slots=True)
class ForUse:
    """How a mix stands for one use: its fit 0–100 (None: nothing can be judged), status, and the worst row in words.

    `weight` is that of the use among several.
    """

    use: str
    name: str
    score: float | None
    status: Status
    metric: str
    say: str
    weight: float = 1.0


@dataclass(frozen=True, slots=True)
class Fit:
    """How well a blend fits a use: score 0–100 (None where nothing can be judged), a result per band, its class.

    Of several uses it is the fit of the `worst` (a slug); `each` has them all.
    """

    use: str
    score: float | None
    bands: tuple[BandResult, ...]
    mix_class: MixClass = MixClass.PLAIN
    each: tuple[ForUse, ...] = ()
    worst: str = ""

    def count(self, status: Status) -> int:
        """Return how many bands have `status`."""
        return sum(b.status is status for b in self.bands)


def judge_band(band: UseBand, found: Estimate) -> BandResult:
    """Return how an estimate (in the metric's unit) stands at `band`; unknown where it is not wholly known."""
    if not found.is_known or found.typical is None:
        return BandResult(band, found, Status.UNKNOWN, None, None, None)
    value = found.typical
    metric = METRICS[band.metric]
    # A limit at the edge of what is possible cannot be crossed, however wide the spread.
    low = band.hard_low if band.holds_low and band.hard_low > metric.lowest else -math.inf
    high = band.hard_high if band.holds_high and band.hard_high < metric.highest else math.inf
    inside = probability_between(value, found.sigma_low, found.sigma_high, low, high)
    return BandResult(band, found, band.status(value), band.desirability(value), band.distance(value), inside)


def fit_alone(use: Use, analysis: Analysis) -> Fit:
    """Return how `analysis` fits `use` and no other: score 0–100 over the bands that can be judged, and every band."""
    mix_class, rows = rows_of(use, analysis, amounts(analysis.parts))
    results = tuple(judge_band(band, found) for band, found in rows)
    judged = [(r.desirability, r.band.weight) for r in results if r.desirability is not None]
    return Fit(use.slug, score_of(judged), results, mix_class)


def rows_of(
    use: Use, analysis: Analysis, in_bag: Mapping[str, float]
) -> tuple[MixClass, list[tuple[UseBand, Estimate]]]:
    """Return the class of a mix for `use`, and each band with the number that stands on it, in its unit.

    `in_bag` is what lies in the bag beside flour (see `bag.amounts`).
    """
    mix_class = class_of(analysis, use.family, use.classes)
    rows = [(band, analysis.metrics[band.metric]) for band in bands_for(use, mix_class)]
    return mix_class, [*rows, *_binder(use, analysis, mix_class), *_bag(use, analysis, mix_class, in_bag)]


def bands_for(use: Use, mix_class: MixClass) -> tuple[UseBand, ...]:
    """Return the bands of a use for a class of mix: those a brief set itself stand for every class."""
    apart = use.classes.get(mix_class)
    if not apart:
        return use.bands
    own = {b.metric: b for b in use.bands if b.basis == THIS_BRIEF}
    kept = tuple(own.pop(b.metric, b) for b in apart)
    return (*kept, *own.values())


def _binder(use: Use, analysis: Analysis, mix_class: MixClass) -> Iterator[tuple[UseBand, Estimate]]:
    """The binder of the bag against the usual: over by what binds alone, short only where nothing else carries."""
    found = binder_in_bag(analysis.parts, use.doses, use.family, mix_class)
    if found is not None and found.is_there:
        yield _BINDER_BAND, _exactly(found.shown)


_BINDER_BAND = UseBand(
    *BINDER_WALLS, "binder_load", weight=BINDER_WEIGHT, why="Too little crumbles; too much turns gummy and rubbery"
)


def _exactly(value: float) -> Estimate:
    return Estimate(value, value, value)


def _bag(
    use: Use, analysis: Analysis, mix_class: MixClass, in_bag: Mapping[str, float]
) -> Iterator[tuple[UseBand, Estimate]]:
    carried = mix_class is not MixClass.PLAIN or ("egg_pct" in in_bag and egg_carries(analysis.parts))
    for band in use.bag:
        if in_bag.get(band.metric, 0.0) > 0 and not (carried and band.metric == "egg_pct"):
            yield band, _exactly(in_bag[band.metric])


def score_of(judged: Sequence[tuple[float, float]]) -> float | None:
    """Return the fit (0–100) of desirabilities with their weights; None where nothing is judged."""
    total = sum(w for _, w in judged)
    if total <= 0:
        return None
    return 100 * math.exp(sum(w * math.log(d) for d, w in judged if w > 0) / total)


def standing_of(use: Use, rows: Sequence[tuple[UseBand, float]], weight: float = 1.0) -> ForUse:
    """Return how a mix stands for `use`, from its bands that can be judged with the value on each, in its unit."""
    score = score_of([(band.desirability(value), band.weight) for band, value in rows])
    if score is None:
        return ForUse(use.slug, use.name, None, Status.UNKNOWN, "", "nothing can be judged", weight)
    band, value = max(rows, key=lambda r: (badness(r[0].status(r[1])), 1 - r[0].desirability(r[1])))
    status = band.status(value)
    return ForUse(use.slug, use.name, score, status, band.metric, _off(band, value, status), weight)


def called(use: str) -> str:
    """Return a use as it is called in a sentence: "Hearth loaf, sourdough or yeasted" is a hearth loaf."""
    name = short_name(use)
    return name if name[1:2].isupper() else name[0].lower() + name[1:]


def badness(status: Status) -> int:
    """Return how bad a status is: the worst is the most."""
    return WORST_FIRST[::-1].index(status)


def _off(band: UseBand, value: float, status: Status) -> str:
    """The row that stands worst, by how much: "sticky share 12 % of flour over"."""
    if status is Status.PASS:
        return "nothing holds it"
    metric, distance = METRICS[band.metric], band.distance(value)
    side = "short" if distance < 0 else "over"
    return f"{metric.label.lower()} {abs(distance):.{metric.decimals}f} {metric.unit} {side}"
