"""Minutes of a plan as instants: UTC for what ferments, the kitchen's own zone for what people do.

A local time that stands twice on a night of change is taken as the first, unless it carries its offset; one that is
skipped moves forward, as clocks do.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, time, timedelta
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

import numpy as np

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Bother, Crew
from fallow_sieve.core.values import BadInputError, shown

EDGE_AFTER_MIN, EDGE_BEFORE_MIN = 60.0, 90.0  # of a day's beginning and end; rules of thumb
_DAY_MIN = 24 * 60
Hours = Sequence[tuple[time, time]]


def zone_named(name: str, place: str = "/zone") -> ZoneInfo:
    """Return the IANA time zone of that name. Raises BadInputError."""
    try:
        return ZoneInfo(name)
    except (ZoneInfoNotFoundError, ValueError, OSError) as error:
        right = "give an IANA name, such as Europe/Oslo or America/Denver"
        raise BadInputError(f"the time zone {shown(name)}", place=place, right=right) from error


def instant_of(text: str, zone: ZoneInfo, place: str) -> datetime:
    """Return the instant (UTC) that `text` names, in ISO 8601; without an offset it is a time in `zone`.

    Raises BadInputError.
    """
    try:
        found = datetime.fromisoformat(text)
    except ValueError as error:
        right = "give it as 2026-12-05T16:00, with an offset or Z where it is not the kitchen's own time"
        raise BadInputError(f"cannot read the time {shown(text)}", place=place, right=right) from error
    if not 1900 <= found.year <= 2200:
        raise BadInputError(f"the year {found.year}", place=place, right="between 1900 and 2200")
    return (found if found.tzinfo else found.replace(tzinfo=zone)).astimezone(UTC)


def hour_of(text: str, place: str) -> time:
    """Return the time of day that `text` names, as 06:00; 24:00 is the day's end. Raises BadInputError."""
    try:
        return time(0) if text == "24:00" else time.fromisoformat(text)
    except ValueError as error:
        raise BadInputError(f"the hour {shown(text)}", place=place, right="give it as 06:00") from error


@dataclass(frozen=True, slots=True)
class Clock:
    """Where minute 0 lies (UTC), and the kitchen's zone."""

    begin: datetime
    zone: ZoneInfo

    @classmethod
    def from_instant(cls, instant: datetime, zone: ZoneInfo) -> Clock:
        """Return a clock that begins at the next five minutes."""
        minutes = -(-instant.timestamp() // (60 * CELL_MIN)) * CELL_MIN
        return cls(datetime.fromtimestamp(60 * minutes, UTC), zone)

    def minute(self, instant: datetime) -> float:
        """Return the minute of an instant."""
        return (instant - self.begin).total_seconds() / 60

    def instant(self, minute: float) -> datetime:
        """Return the instant (UTC) of a minute."""
        return self.begin + timedelta(minutes=minute)

    def local(self, minute: float) -> datetime:
        """Return a minute as the kitchen's clock shows it."""
        return self.instant(minute).astimezone(self.zone)

    @property
    def begin_hour(self) -> float:
        """The hour of the day, with its fraction, at minute 0."""
        at = self.local(0)
        return at.hour + at.minute / 60

    def minutes_of_day(self, cells: int) -> Array:
        """Return the minute of the kitchen's day in which each cell begins."""
        at = (self.local(CELL_MIN * n) for n in range(cells))
        return np.array([60 * x.hour + x.minute for x in at], dtype=float)


def crew_of(clock: Clock, cells: int, hours: Hours, blocked: Hours, people: int, mixers: int, bother: Bother) -> Crew:
    """Return what a minute of hands costs in each cell: nothing by day, more at its edges and asleep, never blocked.

    `hours` are the spans of the day in which people are up; a span may go over midnight.
    """
    day = clock.minutes_of_day(cells)
    awake, edge, never = (np.zeros(cells, dtype=bool) for _ in range(3))
    for begin, end in hours:
        inside, length = _into(day, begin, end)
        awake |= inside < length
        edge |= (inside < length) & ((inside < EDGE_AFTER_MIN) | (inside >= length - EDGE_BEFORE_MIN))
    for begin, end in blocked:
        inside, length = _into(day, begin, end)
        never |= inside < length
    if any(begin == end for begin, end in hours):  # up all day and night
        edge[:] = False
    cost = np.where(awake, np.where(edge, bother.edge_min, 0.0), bother.asleep_min)
    return Crew(people, mixers, np.where(never, np.inf, cost), ~awake)


def _into(day: Array, begin: time, end: time) -> tuple[Array, float]:
    """How many minutes each cell lies after the beginning of a span, and how long the span is."""
    first, last = 60 * begin.hour + begin.minute, 60 * end.hour + end.minute
    length = (last - first) % _DAY_MIN or _DAY_MIN
    return (day - first) % _DAY_MIN, float(length)
