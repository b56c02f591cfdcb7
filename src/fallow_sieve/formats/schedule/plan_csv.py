"""A plan as a table (CSV): one line a step, times in UTC and as the kitchen's clock shows them."""

from __future__ import annotations

import csv
import io
from datetime import datetime
from zoneinfo import ZoneInfo

from fallow_sieve.core.values import grams
from fallow_sieve.formats.schedule.answers import ScheduleAnswer, StepOut

COLUMNS = (
    "product", "step", "do", "state", "at_utc", "end_utc", "at_local", "end_local", "place", "oven", "temp_c",
    "hands_min", "grams", "ripeness_at_end", "dough_c_at_end", "notes",
)  # fmt: skip


def write_plan_csv(answer: ScheduleAnswer, zone: ZoneInfo) -> str:
    """Return the steps of a plan as CSV with a header row (UTF-8; °C, minutes)."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\r\n")
    table.writerow(COLUMNS)
    for step in answer.steps:
        table.writerow(_row(step, zone))
    return out.getvalue()


def _row(s: StepOut, zone: ZoneInfo) -> list[object]:
    hands = sum(_minutes(a, b) for a, b in s.hands)
    weighed = "; ".join(f"{grams(x.mass_g)} {x.name}" if x.mass_g is not None else x.name for x in s.grams)
    return [
        s.product, s.step, s.do, s.state, s.at, s.end, _local(s.at, zone), _local(s.end, zone), s.place, s.oven or "",
        "" if s.temp_c is None else f"{s.temp_c:g}", f"{hands:g}", weighed, "" if s.ripeness is None else s.ripeness,
        "" if s.dough_c is None else s.dough_c, " ".join(s.notes),
    ]  # fmt: skip


def _local(text: str, zone: ZoneInfo) -> str:
    return datetime.fromisoformat(text).astimezone(zone).strftime("%Y-%m-%dT%H:%M%z")


def _minutes(begin: str, end: str) -> float:
    return (datetime.fromisoformat(end) - datetime.fromisoformat(begin)).total_seconds() / 60
