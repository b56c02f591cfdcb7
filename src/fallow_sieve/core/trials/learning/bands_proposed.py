"""Bands of a use that the kitchen's own bakes speak for: proposed, never changed by themselves.

Each metric is cut into zones: hard to good, the two halves of the good band, good to hard. A bake judged 7 or more
counts as good, 3 or less as not, one between half to each; Beta(2, 2) outside the good band, Beta(6, 2) inside. What
was not tried never narrows a band. Rules of thumb.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from fallow_sieve.core.numerics import distributions as stats
from fallow_sieve.core.values import Band

GOOD, BAD = 7.0, 3.0
SURE, LEAST_BAKES, LEAST_BLENDS = 0.85, 4, 2
OUTSIDE, INSIDE = (2.0, 2.0), (6.0, 2.0)


@dataclass(frozen=True, slots=True)
class JudgedBake:
    """A metric of a blend in its unit, the verdict 1–9 of a bake of it, and which blend revision it was."""

    value: float
    verdict: float
    blend: str


@dataclass(frozen=True, slots=True)
class BandProposal:
    """A good edge that could move: `low` or `high`, from where to where in the metric's unit, how surely, on what."""

    metric: str
    side: str
    before: float
    after: float
    sure: float
    bakes: int
    blends: int
    widens: bool


def zone_posterior(prior: tuple[float, float], good: float, bad: float) -> tuple[float, float]:
    """Return P(p > ½) and P(p < ½) of a zone with so many good and bad bakes.

    >>> round(zone_posterior((2, 2), 4, 1)[0], 5)
    0.85547
    """
    above = float(stats.beta.sf(0.5, prior[0] + good, prior[1] + bad))
    return above, 1 - above


def shares(verdict: float) -> tuple[float, float]:
    """Return how much a bake counts as good and as not.

    >>> shares(7), shares(5), shares(3)
    ((1.0, 0.0), (0.5, 0.5), (0.0, 1.0))
    """
    if verdict >= GOOD:
        return 1.0, 0.0
    return (0.0, 1.0) if verdict <= BAD else (0.5, 0.5)


def proposals(metric: str, band: Band, bakes: Sequence[JudgedBake]) -> tuple[BandProposal, ...]:
    """Return the edges of a band that the bakes speak for moving, in the metric's unit."""
    return (*_outward(metric, band, bakes), *_inward(metric, band, bakes))


def _outward(metric: str, band: Band, bakes: Sequence[JudgedBake]) -> Iterator[BandProposal]:
    zones = (
        ("low", band.good_low, [b for b in bakes if band.hard_low <= b.value < band.good_low]),
        ("high", band.good_high, [b for b in bakes if band.good_high < b.value <= band.hard_high]),
    )
    for side, edge, tried in zones:
        above, _ = zone_posterior(OUTSIDE, *_counts(tried))
        good = [b.value for b in tried if b.verdict >= GOOD]
        blends = len({b.blend for b in tried})
        if above >= SURE and len(tried) >= LEAST_BAKES and blends >= LEAST_BLENDS and good:
            after = min(good) if side == "low" else max(good)
            yield BandProposal(metric, side, edge, after, above, len(tried), blends, True)


def _inward(metric: str, band: Band, bakes: Sequence[JudgedBake]) -> Iterator[BandProposal]:
    if math.isinf(band.good_low) or math.isinf(band.good_high):
        return
    middle = (band.good_low + band.good_high) / 2
    zones = (
        ("low", band.good_low, [b for b in bakes if band.good_low <= b.value < middle]),
        ("high", band.good_high, [b for b in bakes if middle <= b.value <= band.good_high]),
    )
    for side, edge, tried in zones:
        _, below = zone_posterior(INSIDE, *_counts(tried))
        blends = len({b.blend for b in tried})
        if below >= SURE and blends >= LEAST_BLENDS:
            yield BandProposal(metric, side, edge, middle, below, len(tried), blends, False)


def _counts(tried: Sequence[JudgedBake]) -> tuple[float, float]:
    every = [shares(b.verdict) for b in tried]
    return sum(g for g, _ in every), sum(b for _, b in every)
