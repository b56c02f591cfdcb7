"""Briefs: what the work is for."""

from __future__ import annotations

from flask import Blueprint, Response, request

from fallow_sieve.api.briefs.models import BriefIn, BriefList, BriefsQuery, BriefSummary
from fallow_sieve.api.http import answer, body, if_match, kitchen, now_text, page, store, today
from fallow_sieve.api.spec import route
from fallow_sieve.services.blends.kept import Effort
from fallow_sieve.services.blends.looking import keep, look_behind
from fallow_sieve.services.briefs import JUDGED_AT_ONCE, check_brief, standing_of_brief
from fallow_sieve.store import add_brief, get_brief, list_briefs, save_brief

routes = Blueprint("briefs", __name__)
BRIEFS_A_PAGE = 20


@routes.get("/briefs")
@route(BriefList, query=BriefsQuery)
def briefs() -> Response:
    """Return a page of briefs, each with its state, next step and blends; `?archived=1` for those put away."""
    cursor, limit = page(BRIEFS_A_PAGE)
    with store().reading() as session:
        found = list_briefs(session, cursor, limit + 1, request.args.get("archived") == "1")
        effort = Effort(JUDGED_AT_ONCE, [])
        items = [standing_of_brief(session, b, kitchen(b.id), effort) for b in found[:limit]]
    keep(store(), effort.fresh)
    if any(item.unseen for item in items):
        look_behind(store(), [item.brief.id for item in items], today())
    return answer(BriefList(items=items, next=str(found[limit - 1].id) if len(found) > limit else None))


@routes.post("/briefs")
@route(BriefSummary, status=201, json=BriefIn)
def add() -> Response:
    """Add a brief."""
    given = body(BriefIn)
    with store().writing() as session:
        check_brief(given.use, given.limits.limits, store().shelf(session, today()))
        brief = add_brief(session, given.model_dump(exclude={"limits"}), given.limits.limits, now_text())
    return _answer(brief.id, 201)


@routes.get("/briefs/<int:brief_id>")
@route(BriefSummary)
def brief(brief_id: int) -> Response:
    """Return one brief with its state, next step and blends."""
    return _answer(brief_id)


@routes.put("/briefs/<int:brief_id>")
@route(BriefSummary, json=BriefIn, stale=True)
def save(brief_id: int) -> Response:
    """Save a brief; a stale save gets 412 and both versions."""
    given, version = body(BriefIn), if_match()
    with store().writing() as session:
        check_brief(given.use, given.limits.limits, store().shelf(session, today()))
        values = given.model_dump(exclude={"limits"})
        save_brief(session, brief_id, values, given.limits.limits, version, now_text())
    return _answer(brief_id)


def _answer(brief_id: int, status: int = 200) -> Response:
    with store().reading() as session:
        found = get_brief(session, brief_id)
        standing = standing_of_brief(session, found, kitchen(brief_id), Effort(JUDGED_AT_ONCE, []))
    return answer(BriefSummary(standing), status, found.version)
