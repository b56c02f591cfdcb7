"""The sheet of a trial as a page: a form that works without script, and what its script sends."""

from __future__ import annotations

import re
from collections.abc import Callable
from datetime import UTC, date, datetime
from pathlib import Path
from typing import Protocol, cast
from uuid import uuid4

from flask import Blueprint, Response, current_app, redirect, render_template, request, send_from_directory
from werkzeug.exceptions import NotFound

from fallow_sieve.core.trials.readings import LAST_DAY, Reading, State
from fallow_sieve.core.trials.sheet import Word
from fallow_sieve.core.values import FallowSieveError
from fallow_sieve.formats.shared import parse_json, validate
from fallow_sieve.services.kitchen import kitchen_now
from fallow_sieve.services.trials.noting import note_reading
from fallow_sieve.services.trials.page import sheet_now
from fallow_sieve.services.trials.tapping import Tapped, last_tap, tap
from fallow_sieve.sheets.models import TapIn
from fallow_sieve.store import KitchenStore
from fallow_sieve.store.trials import get_trial, take_back

NAMES = {"mixing": "mixing", "rising": "rising", "oven": "oven", "cut": "cut", "day": "days"}
FILES = frozenset({"sheet.js", "seat.js", "sheet.css", "seat.css", "regular.woff2", "bold.woff2"})
_UNITS = frozenset({"g", "°C", "min", "%", "mm", "mL", "mL/g", "ratio", "cm"})
_ID = re.compile(r"[A-Za-z0-9-]{8,64}")
Opens = Callable[[str], int]  # what a key stands for: the id of a trial; raises NotFound


class Others(Protocol):
    """Sheets of another kind under the same address; None where a key is not one of theirs."""

    def knows(self, token: str) -> bool:
        """Return whether a key is one of theirs."""
        ...

    def show(self, token: str) -> Response | None:
        """Return their page."""
        ...

    def take(self, token: str) -> Response | None:
        """Take what their form says."""
        ...


def sheet_pages(name: str, opens: Opens, others: Others | None = None) -> Blueprint:
    """Return the routes of a sheet under a key of which `opens` says whose it is; `others` are asked first."""
    pages = Blueprint(name, __name__, template_folder="templates")

    @pages.get("/<key>/")
    def show(key: str) -> Response:
        return (others.show(key) if others else None) or _page(opens(key))

    @pages.post("/<key>/")
    def form(key: str) -> Response:
        return (others.take(key) if others else None) or _tapped(opens(key))

    @pages.put("/<key>/readings/<reading_id>")
    def note(key: str, reading_id: str) -> Response:
        return _noted(opens(key), reading_id)

    @pages.put("/<key>/readings/<reading_id>/back")
    def back(key: str, reading_id: str) -> Response:
        trial_id = opens(key)
        with _store().writing() as session:
            take_back(session, trial_id, reading_id, True)
        return Response(status=204)

    @pages.get("/<key>/<file>")
    def file(key: str, file: str) -> Response:
        if not (others and others.knows(key)):
            opens(key)
        if file not in FILES:
            raise NotFound
        folder: Path = current_app.extensions["web_dist"]
        return send_from_directory(folder / "sheet", file)

    pages.add_app_template_filter(_number, "number")
    return pages


def _store() -> KitchenStore:
    return cast(KitchenStore, current_app.extensions["kitchen"])


def _now() -> datetime:
    clock: Callable[[], datetime] = current_app.extensions["clock"]
    return clock().astimezone(UTC)


def _page(trial_id: int, problem: str = "", status: int = 200) -> Response:
    store, today = _store(), _now().date()
    here = kitchen_now(store, today)
    with store.reading() as session:
        day = _day(get_trial(session, trial_id).baked_on, today)
        found = sheet_now(session, trial_id, here, _asked("arm")[:80], day)
        last = last_tap(session, trial_id)
    at = _asked("at")
    text = render_template(
        "trial.html", sheet=found, at=at if at in NAMES else found.next, names=NAMES, day=day, last=last,
        new_id=lambda: str(uuid4()), next_mark=next_mark, mark_word=mark_word, units=_UNITS, problem=problem,
    )  # fmt: skip
    response = Response(text, status, mimetype="text/html")
    response.headers["Referrer-Policy"] = "same-origin"  # a form without script says by it that it is ours
    return response


def _asked(name: str) -> str:
    return request.values.get(name, "")


def _day(baked_on: str, today: date) -> int:
    """The day that is asked for, or else how many days ago it was baked, up to the last that is kept."""
    asked = _asked("day")
    if asked.isdigit() and int(asked) <= LAST_DAY:
        return int(asked)
    return max(0, min(LAST_DAY, (today - date.fromisoformat(baked_on)).days))


def _tapped(trial_id: int) -> Response:
    """A form's tap: saved, and back to the same moment; what cannot be is said on the page, and nothing is lost."""
    store = _store()
    given, what = _asked("id"), _asked("tap")
    if not what and _asked("quantity"):
        what = f"{_asked('quantity')}={_asked('typed')}"
    reading_id = given if _ID.fullmatch(given) else str(uuid4())
    day = int(_asked("day")) if _asked("day") in {"0", "1", "2", "3"} and _asked("at") == "day" else 0
    here = kitchen_now(store, _now().date())
    try:
        with store.writing() as session:
            tap(session, trial_id, what, Tapped(reading_id, _asked("arm"), day, _instant()), here)
    except FallowSieveError as error:
        return _page(trial_id, str(error), 422)
    return cast(Response, redirect(f"?at={_after(what)}&arm={_asked('arm')}", 303))


def _after(what: str) -> str:
    """Where the page goes on: after a whole moment the next one, else the same."""
    order = list(NAMES)
    if what.startswith("moment:") and what[7:] in order[:-1]:
        return order[order.index(what[7:]) + 1]
    return _asked("at") if _asked("at") in NAMES else "mixing"


def _noted(trial_id: int, reading_id: str) -> Response:
    if not _ID.fullmatch(reading_id):
        raise NotFound
    given = validate(TapIn, parse_json(request.get_data()))
    state = State.PLANNED if given.value is None else State.NOTED
    reading = Reading(given.quantity, given.value, given.arm, state, day=given.day, at=_instant(), id=reading_id)
    with _store().writing() as session:
        note_reading(session, trial_id, reading)
    return Response(status=204)


def _instant() -> str:
    return _now().strftime("%Y-%m-%dT%H:%M:%S.%fZ")


def next_mark(word: Word) -> int:
    """Return what the next tap on a mark says: there, clearly, not there; of a yes or no the other."""
    if not word.is_fault:
        return 0 if word.value == 1 else 1
    return {1.0: 2, 2.0: 0}.get(word.value or 0.0, 1)


def mark_word(word: Word) -> str:
    """Return what a mark says in a word; empty where nobody looked."""
    if word.value is None:
        return ""
    if not word.is_fault:
        return "yes" if word.value >= 0.5 else "no"
    return "not there" if word.value <= 0 else "a little" if word.value < 2 else "clearly"


def _number(value: float, step: float) -> str:
    return f"{value:.0f}" if step >= 1 else f"{value:.2f}".rstrip("0").rstrip(".")
