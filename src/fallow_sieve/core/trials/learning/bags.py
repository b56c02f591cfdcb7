"""Another bag of a flour: how much water bakes wanted before and after it was opened; shown, and learns nothing."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from statistics import mean

from fallow_sieve.core.formulas import Pour


@dataclass(frozen=True, slots=True)
class AnotherBag:
    """A flour whose bag changed: water wanted ÷ predicted by the bag before and this one, of how many bakes each."""

    ingredient: str
    before: str
    now: str
    ratio_before: float
    bakes_before: int
    ratio_now: float
    bakes_now: int


def another_bags(bakes: Sequence[tuple[Mapping[str, str], Pour]]) -> tuple[AnotherBag, ...]:
    """Return each flour whose bag changed, from bakes in their order: the lot of each flour by its slug, and its pour.

    Of several changes of one flour it is the last, with the bakes from the bag before it; ratios without unit are
    those of water wanted (% of flour) to what was predicted.
    """
    slugs = sorted({s for lots, _ in bakes for s in lots})
    found = (_changed(s, [(lots[s], pour.wanted_log) for lots, pour in bakes if s in lots]) for s in slugs)
    return tuple(b for b in found if b is not None)


def _changed(slug: str, seen: Sequence[tuple[str, float]]) -> AnotherBag | None:
    now = seen[-1][0]
    before = next((lot for lot, _ in reversed(seen) if lot != now), None)
    if before is None:
        return None
    was, since = ([v for lot, v in seen if lot == which] for which in (before, now))
    return AnotherBag(slug, before, now, math.exp(mean(was)), len(was), math.exp(mean(since)), len(since))
