"""A brief's own limits on metrics, in place of those of the use."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import lru_cache

from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.blends.uses.use import Use, UseBand
from fallow_sieve.core.values import UnknownNameError


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
    """Return `use` with its bands changed, for each of several uses alike.

    A new limit pushes the untouched ones so that the order holds.

    A metric without a band gets one whose other limits are as wide as is possible. Raises BadInputError where
    the limits that were given contradict one another.
    """
    given = tuple(changes)
    return _with_changes(use, given) if given else use


@lru_cache(maxsize=128)  # a brief asks the same at each move of a hand
def _with_changes(use: Use, given: tuple[BandChange, ...]) -> Use:
    bands = {b.metric: b for b in use.bands}
    for change in given:
        if change.metric not in METRICS:
            raise UnknownNameError("metric", change.metric, METRICS)
        bands[change.metric] = _changed(bands.get(change.metric), change)
    each = tuple(replace(w, use=with_changes(w.use, given)) for w in use.together)
    return replace(use, bands=tuple(bands.values()), together=each)


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
