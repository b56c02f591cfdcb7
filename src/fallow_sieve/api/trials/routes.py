"""Trials: begun from a formula, noted reading by reading, told."""

from __future__ import annotations

import re
from datetime import UTC, datetime

from flask import Blueprint, Response, current_app, request
from sqlmodel import Session

from fallow_sieve.api.http import answer, answer_value, body, if_match, kitchen, now_text, store, today, whole
from fallow_sieve.api.spec import route
from fallow_sieve.api.trials.models import (
    ArmOut,
    BecauseOut,
    NewTrialIn,
    ReadingIn,
    ReadingOut,
    SheetOut,
    SheetQuery,
    TakeBackIn,
    ToTryOut,
    TrialChangeIn,
    TrialList,
    TrialOut,
    TrialsQuery,
)
from fallow_sieve.core.formulas import Formula
from fallow_sieve.core.trials.readings import INSTANT, Reading, State
from fallow_sieve.core.values import BadInputError, Pin
from fallow_sieve.reference import quantities
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.beginning import Asked, begin, day_of
from fallow_sieve.services.trials.drawing import drawn
from fallow_sieve.services.trials.from_schedule import Ran, ran
from fallow_sieve.services.trials.lessons import kitchen_lessons
from fallow_sieve.services.trials.making import made_of
from fallow_sieve.services.trials.noting import note_reading
from fallow_sieve.services.trials.page import TrialPage, sheet_now, standings_of, trial_page
from fallow_sieve.store import FORMULAS, SCHEDULES, workplace_of
from fallow_sieve.store.trials import Which, get_trial, page_of_trials, put_reading, save_trial, take_back

routes = Blueprint("trials", __name__)
ARM_LENGTH = 80


@routes.get("/trials")
@route(TrialList, query=TrialsQuery)
def listed() -> Response:
    """Return the trials, the latest bake first, of a formula, a blend or a brief, or all."""
    formula, blend, brief, cursor = (whole(n, 0, 1, 2**53) for n in ("formula", "blend", "brief", "cursor"))
    limit = whole("limit", 50, 1, 100)
    which = Which(formula or None, Pin("blend", blend, None).key if blend else "", brief or None)
    with store().reading() as session:
        found = page_of_trials(session, which, cursor, limit + 1)
        items = standings_of(session, found[:limit])
    return answer(TrialList(items=items, next=items[-1].id if len(found) > limit else None))


@routes.post("/trials")
@route(TrialOut, status=201, json=NewTrialIn)
def add() -> Response:
    """Begin a trial: its formula is kept where it was not yet, its plan is predicted and frozen."""
    given, here = body(NewTrialIn), kitchen()
    with store().writing() as session:
        made = _begun(session, given, here)
        page = trial_page(session, made, here)
    return told(page, 201)


def _begun(session: Session, given: NewTrialIn, here: KitchenNow) -> int:
    formula = _formula(session, given)
    found = _ran(session, given)
    setup = {**drawn(session, given.formula_id, made_of(formula, here), today()), **found.setup}
    setup["arms"] = [a.model_dump(exclude_none=True) for a in given.arms]
    altitude = workplace_of(session).content.get("altitude_m")
    if altitude is not None:
        setup["altitude_m"] = altitude
    asked = Asked(
        name=given.name.strip(),
        baked_on=day_of(given.baked_on, now_text()),
        because=given.because.model_dump(exclude_none=True),
        setup=setup,
        plan={**found.plan, **given.plan},
        parent_id=given.parent_id,
        dough_of=given.dough_of,
        kept_h=given.kept_h,
        kept_c=given.kept_c,
        schedule_id=given.schedule_id,
    )
    for other in (given.parent_id, given.dough_of):
        if other is not None:
            get_trial(session, other)
    trial = begin(session, given.formula_id, formula, asked, here, now_text())
    for quantity, value in found.noted.items():
        put_reading(session, trial.id, Reading(quantity, value, at=now_text(), id=f"plan-{trial.id}-{quantity}"))
    return trial.id


def _formula(session: Session, given: NewTrialIn) -> Formula:
    """The formula that is baked: the content that was sent, a revision, or else the draft."""
    if given.content is not None:
        return given.content.formula
    if given.revision is not None:
        return FORMULAS.revision(session, given.formula_id, given.revision).content
    return FORMULAS.draft(session, given.formula_id).content


def _ran(session: Session, given: NewTrialIn) -> Ran:
    if given.schedule_id is None:
        return Ran({}, {}, {})
    return ran(SCHEDULES.draft(session, given.schedule_id).content, given.product)


@routes.get("/trials/<int:trial_id>")
@route(TrialOut)
def one(trial_id: int) -> Response:
    """Return a trial with all that its page shows."""
    here = kitchen()
    with store().reading() as session:
        return told(trial_page(session, trial_id, here, kitchen_lessons(session, here)))


@routes.put("/trials/<int:trial_id>")
@route(TrialOut, json=TrialChangeIn, stale=True)
def change(trial_id: int) -> Response:
    """Save name, day, note, why, and whether it is set aside; with If-Match."""
    given, version, here = body(TrialChangeIn), if_match(), kitchen()
    values = given.model_dump()
    values["because"] = given.because.model_dump(exclude_none=True)
    values["baked_on"] = day_of(given.baked_on, now_text())
    with store().writing() as session:
        save_trial(session, trial_id, values, version, now_text())
        page = trial_page(session, trial_id, here)
    return told(page)


@routes.put("/trials/<int:trial_id>/readings/<reading_id>")
@route(ReadingOut, json=ReadingIn)
def note(trial_id: int, reading_id: str) -> Response:
    """Note a reading under an id that its writer made: sent twice it is one; another under the same id is a 409."""
    given = body(ReadingIn)
    state = State.PLANNED if given.value is None else State.NOTED
    reading = Reading(**given.model_dump(), state=state, id=_checked_id(reading_id), at=instant_text())
    with store().writing() as session:
        return answer(_reading_out(note_reading(session, trial_id, reading)))


def _checked_id(reading_id: str) -> str:
    if not re.fullmatch(r"[A-Za-z0-9-]{8,64}", reading_id):
        raise BadInputError("the id of a reading", place="reading_id", right="8 to 64 letters, digits and hyphens")
    return reading_id


def instant_text() -> str:
    """Return the instant by the application's clock to the microsecond, so that readings keep their order."""
    clock: datetime = current_app.extensions["clock"]()
    return clock.astimezone(UTC).strftime(INSTANT)


@routes.put("/trials/<int:trial_id>/readings/<reading_id>/withdrawn")
@route(ReadingOut, json=TakeBackIn)
def withdraw(trial_id: int, reading_id: str) -> Response:
    """Take a reading back, or take it into account again."""
    given = body(TakeBackIn)
    with store().writing() as session:
        return answer(_reading_out(take_back(session, trial_id, reading_id, given.withdrawn)))


@routes.get("/trials/<int:trial_id>/sheet")
@route(SheetOut, query=SheetQuery)
def sheet(trial_id: int) -> Response:
    """Return the sheet of a trial: what each moment asks, and what was noted."""
    arm, day = request.args.get("arm", "")[:ARM_LENGTH], whole("day", 0, 0, 3)
    here = kitchen()
    with store().reading() as session:
        return answer_value(SheetOut, sheet_now(session, trial_id, here, arm, day))


def told(page: TrialPage, status: int = 200) -> Response:
    """Return a trial with all that its page shows, its version as ETag."""
    r = page.record
    pin = r.formula.pin
    found = TrialOut(
        **{n: getattr(r, n) for n in _SAME},
        formula_name=page.formula_name,
        blend_name=pin.name if pin else "",
        blend_revision=pin.revision if pin else None,
        stage=page.stage,
        because=BecauseOut.model_validate(dict(r.because)),
        to_try=[ToTryOut.model_validate(t) for t in r.setup.get("to_try", [])],
        arms=[ArmOut.model_validate(a) for a in r.setup.get("arms", [])],
        plan=list(page.plan),
        readings=[_reading_out(x) for x in page.readings],
        told=page.told,
        day=list(page.day),
        before=page.before,
    )
    return answer(found, status, r.version)


_SAME = (
    "id", "version", "name", "formula_id", "formula_revision", "use", "baked_on", "note", "parent_id", "dough_of",
    "kept_h", "schedule_id", "set_aside",
)  # fmt: skip


def _reading_out(r: Reading) -> ReadingOut:
    q = quantities().get(r.quantity)
    label, unit = (q.label, q.unit) if q else (r.quantity, "")
    return ReadingOut.model_validate({**{n: getattr(r, n) for n in _READING}, "label": label, "unit": unit})


_READING = tuple(Reading.__dataclass_fields__)
