"""A plan as iCalendar (RFC 5545): an event a visit, rests beside them that take nobody's time; instants in UTC."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import NAMESPACE_URL, uuid5

from icalendar import Alarm, Calendar, Event

from fallow_sieve.core.values import grams
from fallow_sieve.formats.schedule.answers import GramsOut, ScheduleAnswer, StepOut

PRODUCT = "-//Fallow Sieve//Schedule 1//EN"
ALARM_BEFORE_MIN = 5
_RESTS = frozenset({"ferment", "chill", "cool", "passive", "build", "bake"})


@dataclass(frozen=True, slots=True)
class CalendarOf:
    """What a calendar is of: the plan's name, what it is known by for ever, how often it was changed, and when."""

    name: str
    key: str
    sequence: int
    stamp: datetime
    cancelled: tuple[tuple[str, str], ...] = ()


def write_calendar(answer: ScheduleAnswer, of: CalendarOf) -> bytes:
    """Return the plan as an iCalendar file: UIDs stay through every new plan, what fell away is cancelled."""
    calendar = Calendar()
    calendar.add("prodid", PRODUCT)
    calendar.add("version", "2.0")
    calendar.add("method", "PUBLISH")
    calendar.add("x-wr-calname", of.name)
    for step in answer.steps:
        for n, (begin, end) in enumerate(step.hands):
            calendar.add_component(_visit(step, n, begin, end, of))
        if step.kind in _RESTS and _is_long(step):
            calendar.add_component(_rest(step, of))
    for product, step_name in of.cancelled:
        calendar.add_component(_cancelled(product, step_name, of))
    return bytes(calendar.to_ical())


def uid_of(key: str, product: str, step: str, part: str) -> str:
    """Return the UID of a part of a step, the same through every new plan.

    >>> uid_of("plan 1", "loaf", "mix", "0") == uid_of("plan 1", "loaf", "mix", "0")
    True
    """
    return f"{uuid5(NAMESPACE_URL, key)}-{uuid5(NAMESPACE_URL, f'{product}/{step}/{part}').hex[:12]}@fallow-sieve"


def _event(step: StepOut, part: str, begin: str, end: str, of: CalendarOf) -> Event:
    event = Event()
    event.add("uid", uid_of(of.key, step.product, step.step, part))
    event.add("dtstamp", of.stamp)
    event.add("sequence", of.sequence)
    event.add("dtstart", datetime.fromisoformat(begin))
    event.add("dtend", datetime.fromisoformat(end))
    event.add("location", step.oven or step.place)
    event.add("categories", [step.product])
    event.add("description", "\n".join(_said(step)))
    return event


def _visit(step: StepOut, n: int, begin: str, end: str, of: CalendarOf) -> Event:
    event = _event(step, str(n), begin, end, of)
    word = "" if n == 0 else " (take out)" if n == len(step.hands) - 1 else " (next phase)"
    event.add("summary", f"{step.product}: {step.do}{word}")
    event.add("status", "CONFIRMED")
    alarm = Alarm()
    alarm.add("action", "DISPLAY")
    alarm.add("description", step.do)
    alarm.add("trigger", timedelta(minutes=-ALARM_BEFORE_MIN))
    event.add_component(alarm)
    return event


def _rest(step: StepOut, of: CalendarOf) -> Event:
    event = _event(step, "rest", step.at, step.end, of)
    event.add("summary", f"{step.product} rests: {step.do}")
    event.add("transp", "TRANSPARENT")
    return event


def _cancelled(product: str, step: str, of: CalendarOf) -> Event:
    event = Event()
    event.add("uid", uid_of(of.key, product, step, "0"))
    event.add("dtstamp", of.stamp)
    event.add("sequence", of.sequence)
    event.add("dtstart", of.stamp)
    event.add("summary", f"{product}: {step}")
    event.add("status", "CANCELLED")
    return event


def _is_long(step: StepOut) -> bool:
    return datetime.fromisoformat(step.end) - datetime.fromisoformat(step.at) >= timedelta(minutes=15)


def _said(step: StepOut) -> Iterable[str]:
    if step.temp_c is not None:
        yield f"{step.temp_c:.0f} °C"
    yield from (_weighed(x) for x in step.grams)
    yield from step.notes


def _weighed(x: GramsOut) -> str:
    warm = f", {x.temp_c:.0f} °C" if x.temp_c is not None else ""
    return f"{grams(x.mass_g)} {x.name}{warm}" if x.mass_g is not None else f"{x.name}{warm}"
