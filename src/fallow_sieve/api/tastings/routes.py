"""Tables: set, opened, closed, unblinded once, told."""

from __future__ import annotations

from dataclasses import asdict

from flask import Blueprint, Response, request

from fallow_sieve.api.http import answer, answer_value, body, if_match, kitchen, now_text, store, whole
from fallow_sieve.api.spec import route
from fallow_sieve.api.tastings.models import (
    ListQuery,
    LoggedOut,
    NewTastingIn,
    PooledOut,
    PooledQuery,
    RestsOnSeatsOut,
    SeatIn,
    TableAskedOut,
    TastingIn,
    TastingList,
    TastingOut,
    WhoIn,
    WordsOfTables,
)
from fallow_sieve.core.tastings.answers import Method
from fallow_sieve.core.tastings.avoiding import Avoids, Leaving
from fallow_sieve.core.tastings.discrimination import Forced, answers_for
from fallow_sieve.core.tastings.panels import Asked, Seat, Stage
from fallow_sieve.core.values import BadInputError
from fallow_sieve.reference import just_right_rows
from fallow_sieve.services.tastings.page import TastingPage, standings, tasting_page
from fallow_sieve.services.tastings.pooled import pooled_days
from fallow_sieve.services.tastings.resting import rests_on_seats
from fallow_sieve.services.tastings.setting import Setting, begin, change, close_table, open_table, unblind
from fallow_sieve.services.tastings.table import table_now

routes = Blueprint("tastings", __name__)
_UNNAMED = "Tasting"


@routes.get("/tastings")
@route(TastingList, query=ListQuery)
def listed() -> Response:
    """Return the tables, the newest first."""
    cursor, limit, here = whole("cursor", 0, 1, 2**53), whole("limit", 50, 1, 100), kitchen()
    with store().reading() as session:
        found = standings(session, here, cursor, limit + 1)
    return answer(TastingList(items=found[:limit], next=found[limit - 1].id if len(found) > limit else None))


@routes.post("/tastings")
@route(TastingOut, status=201, json=NewTastingIn)
def add() -> Response:
    """Begin a table, of trials where they are known already."""
    given, here = body(NewTastingIn), kitchen()
    with store().writing() as session:
        made = begin(session, given.name.strip() or _UNNAMED, given.trials, now_text())
        page = tasting_page(session, made, here)
    return told(page, 201)


@routes.get("/tastings/words")
@route(WordsOfTables)
def words() -> Response:
    """Return the allergens and watched things that may be named, and the attributes that are known."""
    marks = {m for item in kitchen().shelf.ingredients for m in (*item.allergens, *item.watch)}
    return answer(WordsOfTables(marks=sorted(marks), attributes=[r.attribute for r in just_right_rows()]))


@routes.get("/tastings/pooled")
@route(PooledOut, query=PooledQuery)
def pooled() -> Response:
    """Return several unblinded days of one question together."""
    text, here = request.args.get("ids", ""), kitchen()
    parts = [p for p in text.split(",") if p.strip()]
    if not all(p.strip().isdigit() and len(p.strip()) <= 15 for p in parts):
        raise BadInputError("ids that are no numbers", place="ids", right="as 3,5,8")
    with store().reading() as session:
        return answer_value(PooledOut, pooled_days(session, [int(p) for p in parts], whole("looks", 1, 1, 12), here))


@routes.get("/tastings/<int:tasting_id>")
@route(TastingOut)
def one(tasting_id: int) -> Response:
    """Return a table with all that its page shows."""
    here = kitchen()
    with store().reading() as session:
        return told(tasting_page(session, tasting_id, here))


@routes.get("/tastings/<int:tasting_id>/rests-on")
@route(RestsOnSeatsOut)
def rests_on(tasting_id: int) -> Response:
    """Return without which seats an unblinded table would say another thing."""
    here = kitchen()
    with store().reading() as session:
        now = table_now(session, tasting_id, here)
    if now.record.stage is not Stage.UNBLINDED:
        raise BadInputError("the table is not unblinded", right="close it, and unblind it first")
    return answer_value(RestsOnSeatsOut, rests_on_seats(now.table))


@routes.put("/tastings/<int:tasting_id>")
@route(TastingOut, json=TastingIn, stale=True)
def save(tasting_id: int) -> Response:
    """Save how a table is set; with If-Match."""
    given, version, here = body(TastingIn), if_match(), kitchen()
    setting = Setting(
        name=given.name.strip(),
        samples=[s.model_dump() for s in given.samples],
        asked=_asked(given),
        seats=[_seat(s) for s in given.seats],
        note=given.note,
        archived=given.archived,
    )
    with store().writing() as session:
        change(session, tasting_id, setting, version, now_text())
        return told(tasting_page(session, tasting_id, here))


def _asked(given: TastingIn) -> Asked:
    values = given.asked.model_dump()
    terms = {n: tuple(dict.fromkeys(t.strip() for t in values[n])) for n in ("just_right", "words")}
    return Asked(**{**values, **terms, "main": Method(given.asked.main), "attribute": given.asked.attribute.strip()})


def _seat(s: SeatIn) -> Seat:
    avoids = Avoids(frozenset(s.allergies), frozenset(s.by_choice), s.coeliac)
    name = " ".join(s.name.split())
    return Seat(s.number, name, avoids, Leaving(frozenset(s.left_out)), asked=bool(name))


@routes.post("/tastings/<int:tasting_id>/open")
@route(TastingOut)
def open_it(tasting_id: int) -> Response:
    """Deal codes and orders and open the table; a seat with a block is served nothing until it is met."""
    here = kitchen()
    with store().writing() as session:
        open_table(session, tasting_id, here, now_text())
        return told(tasting_page(session, tasting_id, here))


@routes.post("/tastings/<int:tasting_id>/close")
@route(TastingOut)
def close_it(tasting_id: int) -> Response:
    """Close the table: no sheet answers any more."""
    here = kitchen()
    with store().writing() as session:
        close_table(session, table_now(session, tasting_id, here), now_text())
        return told(tasting_page(session, tasting_id, here))


@routes.post("/tastings/<int:tasting_id>/unblind")
@route(TastingOut, json=WhoIn)
def unblind_it(tasting_id: int) -> Response:
    """Open the codes, once, by somebody's name; the answers are frozen."""
    given, here = body(WhoIn), kitchen()
    with store().writing() as session:
        unblind(session, table_now(session, tasting_id, here), given.who, now_text())
        return told(tasting_page(session, tasting_id, here))


def told(page: TastingPage, status: int = 200) -> Response:
    """Return a table with all that its page shows, its version as ETag."""
    r = page.record
    same = ("id", "version", "name", "stage", "note", "archived", "created_at", "opened_at", "closed_at",
            "unblinded_at", "unblinded_by")  # fmt: skip
    found = TastingOut(
        **{n: getattr(r, n) for n in same},
        samples=page.samples,
        asked=TableAskedOut(**asdict(r.asked)),
        mats=page.mats,
        say=page.say,
        warnings=page.warnings,
        asked_about=page.asked_about,
        answers_needed={str(m): answers_for(m) for m in Forced},
        log=[LoggedOut(**asdict(x)) for x in page.log],
        late=page.late,
        result=page.result,
    )
    return answer(found, status, r.version)
