"""Starters that the kitchen keeps: fed, watched until they peak, put into the cold."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, body, now_text, store
from fallow_sieve.api.schedules.models import FeedingChangeIn, FeedingIn, NewStarterIn, StartersOut
from fallow_sieve.api.schedules.planning import clock_now
from fallow_sieve.api.spec import route
from fallow_sieve.core.schedule.clock import instant_of, zone_named
from fallow_sieve.core.values import UnknownNameError
from fallow_sieve.reference import starters as ways
from fallow_sieve.services.schedule.starters import told_starters
from fallow_sieve.store import add_feeding, add_starter, change_feeding, starters_of

routes = Blueprint("starters", __name__)


@routes.get("/starters")
@route(StartersOut)
def every() -> Response:
    """Return the starters with their feedings and what they teach."""
    return _all()


@routes.post("/starters")
@route(StartersOut, status=201, json=NewStarterIn)
def add() -> Response:
    """Add a starter."""
    given = body(NewStarterIn)
    if given.school not in ways():
        raise UnknownNameError("way of building a leaven", given.school, list(ways()), place="/school")
    with store().writing() as session:
        add_starter(session, given.name.strip(), given.school, now_text())
    return _all(201)


@routes.post("/starters/<int:starter_id>/feedings")
@route(StartersOut, status=201, json=FeedingIn)
def feed(starter_id: int) -> Response:
    """Note a feeding."""
    given = body(FeedingIn)
    record = given.model_dump() | {"fed_at": _utc(given.fed_at, "/fed_at")}
    with store().writing() as session:
        add_feeding(session, starter_id, record)
    return _all(201)


@routes.put("/feedings/<int:feeding_id>")
@route(StartersOut, json=FeedingChangeIn)
def change(feeding_id: int) -> Response:
    """Say when a feeding peaked or went into the cold, or that it was a slip."""
    given = body(FeedingChangeIn).model_dump(exclude_unset=True)
    for name in ("peaked_at", "chilled_at"):
        if given.get(name):
            given[name] = _utc(given[name], f"/{name}")
    with store().writing() as session:
        change_feeding(session, feeding_id, given)
    return _all()


def _utc(text: str, place: str) -> str:
    return instant_of(text, zone_named("UTC"), place).strftime("%Y-%m-%dT%H:%M:%SZ")


def _all(status: int = 200) -> Response:
    with store().reading() as session:
        found = told_starters(starters_of(session), clock_now())
    return answer(StartersOut.model_validate({"items": found}, from_attributes=True), status)
