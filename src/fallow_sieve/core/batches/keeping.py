"""Until when a mix is good: the earliest of its parts, at the low end; and the second clock of an open bin.

A part's date = min(its lot's date, from + months × 2^((20 − T)/10)); *from* is the day of milling, else of buying, else
of making. Mixing makes no flour younger, and a printed date is never stretched. Rules of thumb.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from fallow_sieve.core.blends.care import DAYS_PER_MONTH, temperature_factor
from fallow_sieve.core.values import Range


@dataclass(frozen=True, slots=True)
class PartKept:
    """A draw: its ingredient, its lot's date, from which day it ages and what day that is, months it keeps at 20 °C."""

    ingredient: str
    lot_best_before: date | None = None
    ages_from: date | None = None
    ages_since: str = "making"
    months: Range | None = None
    lot_code: str = ""


@dataclass(frozen=True, slots=True)
class BestBefore:
    """The day at the low end, the typical and the high end, which part ends it, and from what; None: not known."""

    low: date | None
    typical: date | None
    high: date | None
    ended_by: PartKept | None
    by_printed_date: bool = False
    unknown: tuple[str, ...] = ()


def best_before(parts: Sequence[PartKept], made_on: date, store_temp_c: float = 20.0) -> BestBefore:
    """Return until when a mix of `parts` made on a day keeps at `store_temp_c` °C.

    A part without a date and without months makes it unknown: no date is promised.
    """
    unknown = tuple(p.ingredient for p in parts if p.months is None and p.lot_best_before is None)
    if unknown or not parts:
        return BestBefore(None, None, None, None, unknown=unknown)
    ends = [(_end(p, made_on, store_temp_c, "low"), n) for n, p in enumerate(parts)]
    low, n = min(ends)
    typical, high = (min(_end(p, made_on, store_temp_c, side) for p in parts) for side in ("typical", "high"))
    return BestBefore(low, typical, high, parts[n], low == parts[n].lot_best_before)


def _end(part: PartKept, made_on: date, temp_c: float, side: str) -> date:
    if part.months is None:
        assert part.lot_best_before is not None  # else the whole is unknown
        return part.lot_best_before
    months: float = getattr(part.months, side)
    aged = (part.ages_from or made_on) + timedelta(days=int(months * DAYS_PER_MONTH * temperature_factor(temp_c)))
    return min(aged, part.lot_best_before) if part.lot_best_before else aged


@dataclass(frozen=True, slots=True)
class OpenClock:
    """How an open bin ages: the kind of mix, days once open (low, typical, high), what ends it, and words for it."""

    kind: str
    days: Range
    limited_by: str
    words: str


@dataclass(frozen=True, slots=True)
class UseBy:
    """The earlier of the two clocks of a bin: the day, which clock, and why; None where neither is known."""

    day: date | None
    clock: str
    why: str


def use_by(kept: BestBefore, opened_on: date | None, clock: OpenClock | None) -> UseBy:
    """Return until when what is in a bin is to be used: the batch's own date, or the days since it was opened."""
    shut = kept.low
    open_end = opened_on + timedelta(days=int(clock.days.typical)) if opened_on and clock else None
    if open_end is not None and clock is not None and (shut is None or open_end < shut):
        return UseBy(
            open_end, "open", f"open since {_day(opened_on)}, {clock.days.typical:.0f} days: {clock.limited_by}"
        )
    if shut is None:
        return UseBy(None, "unknown", f"keeping unknown of {', '.join(kept.unknown)}" if kept.unknown else "no parts")
    part = kept.ended_by
    assert part is not None
    which = f"{part.ingredient} {part.lot_code}".strip()
    by = "its printed date" if kept.by_printed_date else f"from its {part.ages_since}, at the low end"
    return UseBy(shut, "closed", f"{which}: {by}")


def _day(day: date | None) -> str:
    return f"{day.day} {day:%B}" if day else ""
