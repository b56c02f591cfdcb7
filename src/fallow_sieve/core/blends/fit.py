"""Fit to a use: bands on metrics, how far a blend is from each, and one number for all.

Desirability d is 0 outside the hard limits, 1 inside the good band and linear between (Derringer & Suich 1980,
J. Qual. Technol. 12, 214–219); fit is the weighted geometric mean of d, × 100. The bands are rules of thumb.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.values import EDGE, BadInputError, Band, Estimate, Status, UnknownNameError, probability_between


@dataclass(frozen=True, slots=True)
class UseBand(Band):
    """A band of a use on one metric, in its unit; weight ≥ 0, and from where it is."""

    metric: str
    weight: float = 1.0
    basis: str = "rule of thumb"

    def __post_init__(self) -> None:
        if self.metric not in METRICS:
            raise UnknownNameError("metric", self.metric, METRICS)
        try:
            Band.__post_init__(self)
        except BadInputError as error:
            raise BadInputError(f"{self.metric}: {error.wrong}", right=error.right) from error
        if not (math.isfinite(self.weight) and self.weight >= 0):
            raise BadInputError(f"a weight of {self.weight!r}", right="it must be 0 or more")


@dataclass(frozen=True, slots=True)
class Use:
    """What a mix is for: slug, name, family (yeasted, batter, short, sheet, other), moisture and its bands."""

    slug: str
    name: str
    family: str
    moisture: str
    bands: tuple[UseBand, ...]

    @property
    def made_of_one_part(self) -> bool:
        """Whether a blend for it is commonly one part only, so that the usual most does not apply."""
        return self.family == "other"


@dataclass(frozen=True, slots=True)
class BandResult:
    """How a blend stands at one band.

    `distance` is signed, to the nearer good edge, in the metric's unit: negative short, positive over, 0
    inside; `margin` the same in widths of the good band. `p_inside_hard` is 0–1. All None where unknown.
    """

    band: UseBand
    estimate: Estimate
    status: Status
    desirability: float | None
    distance: float | None
    p_inside_hard: float | None

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
class Fit:
    """How well a blend fits a use: score 0–100 (None where nothing can be judged) and a result per band."""

    use: str
    score: float | None
    bands: tuple[BandResult, ...]

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
    low = band.hard_low if band.hard_low > metric.lowest else -math.inf
    high = band.hard_high if band.hard_high < metric.highest else math.inf
    inside = probability_between(value, found.sigma, low, high)
    return BandResult(band, found, band.status(value), band.desirability(value), band.distance(value), inside)


def fit_to(use: Use, analysis: Analysis) -> Fit:
    """Return how `analysis` fits `use`: score 0–100 over the bands that can be judged, and every band."""
    results = tuple(judge_band(b, analysis.metrics[b.metric]) for b in use.bands)
    judged = [(r.desirability, r.band.weight) for r in results if r.desirability is not None]
    return Fit(use.slug, _score(judged), results)


def _score(judged: Sequence[tuple[float, float]]) -> float | None:
    total = sum(w for _, w in judged)
    if total <= 0:
        return None
    if any(d <= 0 and w > 0 for d, w in judged):
        return 0.0
    return 100 * math.exp(sum(w * math.log(d) for d, w in judged if w > 0) / total)


@dataclass(frozen=True, slots=True)
class BandChange:
    """A brief's own limit on a metric; what is None stays as the use has it. In the metric's unit."""

    metric: str
    hard_low: float | None = None
    good_low: float | None = None
    good_high: float | None = None
    hard_high: float | None = None


_LIMITS = ("hard_low", "good_low", "good_high", "hard_high")


def with_changes(use: Use, changes: Iterable[BandChange]) -> Use:
    """Return `use` with its bands changed. A new limit pushes the untouched ones so that the order holds.

    A metric without a band gets one whose other limits are as wide as is possible. Raises BadInputError where
    the limits that were given contradict one another.
    """
    bands = {b.metric: b for b in use.bands}
    for change in changes:
        if change.metric not in METRICS:
            raise UnknownNameError("metric", change.metric, METRICS)
        bands[change.metric] = _changed(bands.get(change.metric), change)
    return replace(use, bands=tuple(bands.values()))


def _changed(band: UseBand | None, change: BandChange) -> UseBand:
    metric = METRICS[change.metric]
    if band is None:
        band = UseBand(metric.lowest, metric.lowest, metric.highest, metric.highest, change.metric)
    given = {n: v for n in _LIMITS if (v := getattr(change, n)) is not None}
    values = [given.get(n, getattr(band, n)) for n in _LIMITS]
    for i, name in enumerate(_LIMITS):
        if name in given:
            values = [
                v if n in given else (min(v, values[i]) if j < i else max(v, values[i]))
                for j, (n, v) in enumerate(zip(_LIMITS, values, strict=True))
            ]
    return replace(band, **dict(zip(_LIMITS, values, strict=True)), basis="this brief")


def rule_of_use(uses: Mapping[str, Use], slug: str, place: str = "/use") -> Use:
    """Return the use named `slug`. Raises UnknownNameError at `place` with the nearest names."""
    if slug not in uses:
        raise UnknownNameError("use", slug, uses, place=place)
    return uses[slug]
