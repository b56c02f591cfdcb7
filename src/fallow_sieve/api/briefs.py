"""Briefs: what the work is for."""

from __future__ import annotations

from flask import Blueprint, Response, request

from fallow_sieve.api.http import answer, body, if_match, now_text, page, store, today
from fallow_sieve.api.requests import BriefIn, BriefsQuery
from fallow_sieve.api.responses import BriefList, BriefSummary
from fallow_sieve.api.spec import route
from fallow_sieve.api.summaries import brief_summary, limits_of
from fallow_sieve.core.blends.fit import rule_of_use, with_changes
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.blends import list_blends
from fallow_sieve.store.briefs import add_brief, get_brief, list_briefs, save_brief

routes = Blueprint("briefs", __name__)
_BLENDS_SHOWN = 50


@routes.get("/briefs")
@route(BriefList, query=BriefsQuery)
def briefs() -> Response:
    """Return a page of briefs, each with its state, next step and blends; `?archived=1` for those put away."""
    cursor, limit = page()
    with store().reading() as session:
        shelf = store().shelf(session, today())
        rows = list_briefs(session, cursor, limit + 1, request.args.get("archived") == "1")
        items = [brief_summary(session, b, list_blends(session, b.id, 0, _BLENDS_SHOWN), shelf) for b in rows[:limit]]
    return answer(BriefList(items=items, next=str(items[-1].brief.id) if len(rows) > limit else None))


@routes.post("/briefs")
@route(BriefSummary, status=201, json=BriefIn)
def add() -> Response:
    """Add a brief."""
    given = body(BriefIn)
    with store().writing() as session:
        shelf = store().shelf(session, today())
        _check(given, shelf)
        row = add_brief(session, given.model_dump(), now_text())
        summary = brief_summary(session, row, [], shelf)
    return answer(summary, 201, row.version)


@routes.get("/briefs/<int:brief_id>")
@route(BriefSummary)
def brief(brief_id: int) -> Response:
    """Return one brief with its state, next step and blends."""
    with store().reading() as session:
        row = get_brief(session, brief_id)
        blends = list_blends(session, brief_id, 0, _BLENDS_SHOWN)
        summary = brief_summary(session, row, blends, store().shelf(session, today()))
    return answer(summary, version=row.version)


@routes.put("/briefs/<int:brief_id>")
@route(BriefSummary, json=BriefIn, stale=True)
def save(brief_id: int) -> Response:
    """Save a brief; a stale save gets 412 and both versions."""
    given, version = body(BriefIn), if_match()
    with store().writing() as session:
        shelf = store().shelf(session, today())
        _check(given, shelf)
        row = save_brief(session, brief_id, given.model_dump(), version, now_text())
        summary = brief_summary(session, row, list_blends(session, brief_id, 0, _BLENDS_SHOWN), shelf)
    return answer(summary, version=row.version)


def _check(given: BriefIn, shelf: Shelf) -> None:
    use = rule_of_use(rules().uses, given.use)
    with_changes(use, limits_of(given.limits.model_dump()).bands)
    for n, slug in enumerate(given.limits.exclude):
        shelf.row(slug, f"/limits/exclude/{n}")
