"""The starters that the kitchen keeps: how long one rested, and how quick its own peaks show it to be."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

from fallow_sieve.core.numerics.nested_normal import learn_levels
from fallow_sieve.core.schedule.learning import LEVEL_SDS, RISE_SD
from fallow_sieve.core.schedule.leaven.builds import Ratio, peak_hours
from fallow_sieve.core.values import counted
from fallow_sieve.reference import starters
from fallow_sieve.store import FeedingOnRecord, StarterOnRecord

_DAY_S = 24 * 3600.0


@dataclass(frozen=True, slots=True)
class StarterTold:
    """A starter, its days of rest (None: never fed), a factor on its hours to a peak, and how many peaks teach it."""

    starter: StarterOnRecord
    rest_days: float | None
    factor: float
    peaks: int
    say: str


def told_starters(every: Sequence[StarterOnRecord], now: datetime) -> list[StarterTold]:
    """Return each starter with what all of them teach: kitchen, then jar, then ratio."""
    seen = [((s.name, _ratio_word(f)), math.log(took / planned)) for s in every for f, planned, took in _peaks(s)]
    return [_told(s, seen, now) for s in every]


def _told(starter: StarterOnRecord, seen: Sequence[tuple[tuple[str, str], float]], now: datetime) -> StarterTold:
    last = starter.feedings[0] if starter.feedings else None
    levels = learn_levels(seen, (starter.name, _ratio_word(last) if last else ""), LEVEL_SDS, RISE_SD)
    factor, own = math.exp(levels[-1].mean), levels[1].count
    rest = (now - _instant(last.chilled_at or last.fed_at)).total_seconds() / _DAY_S if last else None
    return StarterTold(starter, None if rest is None else max(0.0, rest), factor, own, _words(factor, own))


def _words(factor: float, peaks: int) -> str:
    if not peaks:
        return "No peak of it is noted yet: its hours are the rule of thumb."
    by = 100 * (factor - 1)
    way = "as the rule says" if abs(by) < 1 else f"{abs(by):.0f} % {'slower' if by > 0 else 'quicker'} than the rule"
    return f"{counted(peaks, 'peak')}: {way}."


def _peaks(starter: StarterOnRecord) -> list[tuple[FeedingOnRecord, float, float]]:
    """Feedings whose peak was noted, with the hours that the rule says and those it took; slips are left out."""
    kind, found = starters()[starter.school], []
    for f in starter.feedings:
        if f.peaked_at is None or f.seed_g <= 0:
            continue
        took = (_instant(f.peaked_at) - _instant(f.fed_at)).total_seconds() / 3600
        planned = peak_hours(Ratio(f.seed_g, f.flour_g, f.water_g).dilution, f.temp_c, kind)
        if 0.2 < took / planned < 5:
            found.append((f, planned, took))
    return found


def _ratio_word(f: FeedingOnRecord) -> str:
    return f"1:{round(f.flour_g / f.seed_g)}:{round(f.water_g / f.seed_g)}"


def _instant(text: str) -> datetime:
    return datetime.fromisoformat(text)
