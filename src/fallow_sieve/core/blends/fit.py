"""Fit to a use: bands on metrics, how far a blend is from each, and one number for all.

Fit is the weighted geometric mean of the desirabilities (`values.bands`), × 100: never 0, so that two mixes that are
held can be told apart. The bands come from a record of practice (`blends.practice`) and are rules of thumb.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.bag import BINDER_WALLS, BINDER_WEIGHT, amounts, binder_in_bag
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.blends.mix_class import MixClass, class_of, egg_carries
from fallow_sieve.core.values import EDGE, BadInputError, Band, Estimate, Status, UnknownNameError, probability_between


@dataclass(frozen=True, slots=True)
class UseBand(Band):
    """A band of a use on one metric, in its unit; weight ≥ 0, and from where it is.

    A side that does not hold has no bake on record that fails there: beyond it a mix is close, never held. `why` says
    what fails beyond the side that does; `mixes` how many mixes it was made from.
    """

    metric: str
    weight: float = 1.0
    basis: str = "rule of thumb"
    holds_low: bool = True
    holds_high: bool = True
    mixes: int = 0
    why: str = ""

    def __post_init__(self) -> None:
        if self.metric not in METRICS:
            raise UnknownNameError("metric", self.metric, METRICS)
        try:
            Band.__post_init__(self)
        except BadInputError as error:
            raise BadInputError(f"{self.metric}: {error.wrong}", right=error.right) from error
        if not (math.isfinite(self.weight) and self.weight >= 0):
            raise BadInputError(f"a weight of {self.weight!r}", right="it must be 0 or more")

    def status(self, value: float) -> Status:
        """Return how `value` stands; beyond a side that does not hold it is close."""
        found = Band.status(self, value)
        holds = self.holds_low if value < self.good_low else self.holds_high
        return Status.CLOSE if found is Status.HELD and not holds else found


@dataclass(frozen=True, slots=True)
class UsualRange:
    """Where the mixes on record for a use lie on a number that is not judged: the middle 80 %, and how many mixes."""

    metric: str
    low: float
    high: float
    mixes: int


@dataclass(frozen=True, slots=True)
class Use:
    """What a mix is for: slug, name, family (yeasted, batter, short, sheet, other), moisture and its bands.

    `classes` are the bands of mixes that are another kind of bake (see `mix_class`), `bag` those of what lies in the
    bag beside flour, `nutrition` where its mixes lie on what is not judged, `doses` the usual dose of each binder (% of
    flour base), `needs_binder` whether a dough for it falls apart that neither binder, egg, scald nor ferment carries,
    `familiar` the share of its mixes on record (0–1) that hold a flour, `usual_most` how much of one practice goes to
    there (% of flour base).
    """

    slug: str
    name: str
    family: str
    moisture: str
    bands: tuple[UseBand, ...]
    classes: Mapping[MixClass, tuple[UseBand, ...]] = field(default_factory=dict, hash=False)
    bag: tuple[UseBand, ...] = ()
    nutrition: tuple[UsualRange, ...] = ()
    doses: Mapping[str, float] = field(default_factory=dict, hash=False)
    needs_binder: bool = False
    familiar: Mapping[str, float] = field(default_factory=dict, hash=False)
    usual_most: Mapping[str, float] = field(default_factory=dict, hash=False)

    def most_of(self, slug: str, usual_max_pct: float | None) -> float | None:
        """Return the usual most of a flour for this use, % of flour base: its own, or what practice goes to here."""
        if usual_max_pct is None or self.made_of_one_part:
            return None
        return max(usual_max_pct, self.usual_most.get(slug, 0.0))

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
    """How well a blend fits a use: score 0–100 (None where nothing can be judged), a result per band, its class."""

    use: str
    score: float | None
    bands: tuple[BandResult, ...]
    mix_class: MixClass = MixClass.PLAIN

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


def fit_to(use: Use, analysis: Analysis) -> Fit:
    """Return how `analysis` fits `use`: score 0–100 over the bands that can be judged, and every band."""
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


@dataclass(frozen=True, slots=True)
class BandChange:
    """A brief's own limit on a metric; what is None stays as the use has it. In the metric's unit."""

    metric: str
    hard_low: float | None = None
    good_low: float | None = None
    good_high: float | None = None
    hard_high: float | None = None


THIS_BRIEF = "this brief"
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
    return replace(band, **dict(zip(_LIMITS, values, strict=True)), basis=THIS_BRIEF, holds_low=True, holds_high=True)


def rule_of_use(uses: Mapping[str, Use], slug: str, place: str = "/use") -> Use:
    """Return the use named `slug`. Raises UnknownNameError at `place` with the nearest names."""
    if slug not in uses:
        raise UnknownNameError("use", slug, uses, place=place)
    return uses[slug]
