"""Blends, their draft on the bench and their kept revisions."""

from __future__ import annotations

from flask import Blueprint, Response, request
from sqlmodel import Session

from fallow_sieve.api.http import answer, as_parts, body, if_match, now_text, page, store, today, whole
from fallow_sieve.api.requests import BlendIn, BlendsQuery, DraftIn, DuplicateIn, KeepIn, NewBlendIn
from fallow_sieve.api.responses import BlendHead, BlendList, BlendOut, DraftOut, PartOut, RevisionOut
from fallow_sieve.api.spec import route
from fallow_sieve.api.summaries import blend_head, blend_summary, part_out
from fallow_sieve.core.blends.blend import Part, check_parts
from fallow_sieve.core.blends.fit import rule_of_use
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.blends import (
    add_blend,
    duplicate_blend,
    get_blend,
    get_draft,
    get_revision,
    keep_revision,
    list_blends,
    parts_in,
    revisions_of,
    save_blend,
    save_draft,
)
from fallow_sieve.store.briefs import get_brief
from fallow_sieve.store.tables import BlendRow, DraftRow, RevisionRow

routes = Blueprint("blends", __name__)


@routes.get("/blends")
@route(BlendList, query=BlendsQuery)
def blends() -> Response:
    """Return a page of blends with their state; `?archived=1` for those put away."""
    cursor, limit = page()
    archived = request.args.get("archived") == "1"
    brief_id = whole("brief_id", 0, 1, 2**53) or None
    with store().reading() as session:
        rows = list_blends(session, brief_id, cursor, limit + 1, archived)
        items = [blend_summary(session, b) for b in rows[:limit]]
    return answer(BlendList(items=items, next=str(items[-1].blend.id) if len(rows) > limit else None))


@routes.post("/blends")
@route(BlendOut, status=201, json=NewBlendIn)
def add() -> Response:
    """Add a blend; with a brief and no use, it is for the brief's use."""
    given = body(NewBlendIn)
    parts = as_parts(given.parts)
    with store().writing() as session:
        use = given.use
        if given.brief_id is not None:
            use = use or get_brief(session, given.brief_id).use
        _check_use(use)
        _check_parts(session, parts)
        row = add_blend(session, given.name.strip(), use, given.brief_id, parts, now_text())
        made = blend_out(session, row)
    return answer(made, 201)


@routes.get("/blends/<int:blend_id>")
@route(BlendOut)
def blend(blend_id: int) -> Response:
    """Return a blend with its draft and revisions."""
    with store().reading() as session:
        row = get_blend(session, blend_id)
        return answer(blend_out(session, row), version=row.version)


@routes.put("/blends/<int:blend_id>")
@route(BlendHead, json=BlendIn, stale=True)
def save(blend_id: int) -> Response:
    """Save a blend's name, use, brief, or whether it is put away."""
    given, version = body(BlendIn), if_match()
    with store().writing() as session:
        _check_use(given.use)
        if given.brief_id is not None:
            get_brief(session, given.brief_id)
        row = save_blend(session, blend_id, given.model_dump(), version, now_text())
    return answer(blend_head(row), version=row.version)


@routes.get("/blends/<int:blend_id>/draft")
@route(DraftOut)
def draft(blend_id: int) -> Response:
    """Return the draft on the bench."""
    with store().reading() as session:
        row = get_draft(session, blend_id)
        return answer(draft_out(row), version=row.version)


@routes.put("/blends/<int:blend_id>/draft")
@route(DraftOut, json=DraftIn, stale=True)
def keep_draft(blend_id: int) -> Response:
    """Save the draft; a stale save gets 412 and both versions."""
    given, version = body(DraftIn), if_match()
    parts = as_parts(given.parts)
    with store().writing() as session:
        _check_parts(session, parts)
        if given.based_on is not None:
            get_revision(session, blend_id, given.based_on)
        row = save_draft(session, blend_id, parts, given.based_on, version, now_text())
    return answer(draft_out(row), version=row.version)


@routes.post("/blends/<int:blend_id>/revisions")
@route(BlendOut, status=201, json=KeepIn, stale=True)
def keep(blend_id: int) -> Response:
    """Keep the draft as the next revision, with why."""
    given, version = body(KeepIn), if_match()
    with store().writing() as session:
        keep_revision(session, blend_id, given.why.strip(), version, now_text())
        made = blend_out(session, get_blend(session, blend_id))
    return answer(made, 201, made.draft.version)


@routes.post("/blends/<int:blend_id>/duplicate")
@route(BlendOut, status=201, json=DuplicateIn)
def duplicate(blend_id: int) -> Response:
    """Add a blend that starts from this one's draft."""
    given = body(DuplicateIn)
    with store().writing() as session:
        row = duplicate_blend(session, blend_id, given.name.strip(), now_text())
        made = blend_out(session, row)
    return answer(made, 201)


def _check_use(use: str | None) -> None:
    if use is not None:
        rule_of_use(rules().uses, use)


def _check_parts(session: Session, parts: tuple[Part, ...]) -> None:
    if parts:  # an empty draft is where every blend starts
        check_parts(parts, store().shelf(session, today()))


def blend_out(session: Session, row: BlendRow) -> BlendOut:
    """Return a blend with its draft and revisions."""
    assert row.id is not None
    return BlendOut(
        blend=blend_head(row),
        draft=draft_out(get_draft(session, row.id)),
        revisions=[_revision(r) for r in revisions_of(session, row.id)],
    )


def draft_out(row: DraftRow) -> DraftOut:
    """Return a draft as the API gives it."""
    return DraftOut(parts=_parts(row.parts), based_on=row.based_on, updated_at=row.updated_at, version=row.version)


def _revision(row: RevisionRow) -> RevisionOut:
    return RevisionOut(
        number=row.number, parts=_parts(row.parts), why=row.why, based_on=row.based_on, kept_at=row.kept_at
    )


def _parts(records: list[dict[str, object]]) -> list[PartOut]:
    return [part_out(p) for p in parts_in(records)]
