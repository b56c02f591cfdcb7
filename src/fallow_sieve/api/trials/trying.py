"""What to try next: the draft that a cause asks for, the same again but, and undoing either."""

from __future__ import annotations

from time import monotonic

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, body, if_match, kitchen, now_text, store, today
from fallow_sieve.api.spec import route
from fallow_sieve.api.trials.models import AgainIn, ApplyIn, TrialOut, TriedOut, UndoDraftIn
from fallow_sieve.api.trials.routes import told
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.services.trials.beginning import day_of
from fallow_sieve.services.trials.next_change.again import Again, again, undo
from fallow_sieve.services.trials.next_change.trying import take_draft_back, try_cause
from fallow_sieve.services.trials.page import trial_page

routes = Blueprint("trying", __name__)
SECONDS = 5.0  # a blend is mended no longer, before it is said that nothing was found


@routes.post("/trials/<int:trial_id>/faults/<fault>/apply")
@route(TriedOut, json=ApplyIn)
def apply(trial_id: int, fault: str) -> Response:
    """Make the draft that a cause of a fault asks for, in the right place, with why."""
    given, here, ends = body(ApplyIn), kitchen(), monotonic() + SECONDS
    effort = Effort(lambda: ends - monotonic())
    with store().writing() as session:
        tried = try_cause(session, trial_id, fault, given.cause, here, now_text(), effort)
    return answer(TriedOut.model_validate(tried))


@routes.post("/drafts/undo")
@route(None, status=204, json=UndoDraftIn, stale=True)
def put_back() -> Response:
    """Put a draft back as it was before a change was tried, where nobody saved it since."""
    undo = {**body(UndoDraftIn).model_dump(), "version": if_match()}
    shelf = kitchen().shelf
    with store().writing() as session:
        take_draft_back(session, undo, shelf, now_text())
    return Response(status=204)


@routes.post("/trials/<int:trial_id>/again")
@route(TrialOut, status=201, json=AgainIn)
def same_again(trial_id: int) -> Response:
    """Plan the same again, but: one action, which can be undone while nothing of it was noted."""
    given, here = body(AgainIn), kitchen()
    asked = Again(given.say, given.take, given.plan, day_of(given.baked_on, now_text()))
    with store().writing() as session:
        made = again(session, trial_id, asked, here, now_text(), today())
        page = trial_page(session, made.id, here)
    return told(page, 201)


@routes.post("/trials/<int:trial_id>/undo")
@route(None, status=204)
def undo_trial(trial_id: int) -> Response:
    """Undo a trial of which nothing was noted yet."""
    with store().writing() as session:
        undo(session, trial_id, now_text())
    return Response(status=204)
