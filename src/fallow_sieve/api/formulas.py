"""Formulas, their draft on the bench, their kept revisions, and the water that went into their bakes."""

from __future__ import annotations

from flask import Blueprint, Response, request
from sqlmodel import Session

from fallow_sieve.api.formula_models import (
    FormulaDraftIn,
    FormulaDraftOut,
    FormulaHead,
    FormulaIn,
    FormulaList,
    FormulaOut,
    FormulaRevisionOut,
    FormulasQuery,
    FormulaSummary,
    NewFormulaIn,
)
from fallow_sieve.api.formula_values import check_content, content_of, content_out, judged
from fallow_sieve.api.http import answer, body, if_match, now_text, page, store
from fallow_sieve.api.requests import DuplicateIn, KeepIn
from fallow_sieve.api.spec import route
from fallow_sieve.core.formulas.judgement import FormulaJudgement
from fallow_sieve.core.values.bands import Status
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.store.briefs import get_brief
from fallow_sieve.store.formulas import (
    Content,
    add_formula,
    content_in,
    formula_revisions,
    get_formula,
    get_formula_draft,
    get_formula_revision,
    keep_formula_revision,
    list_formulas,
    save_formula,
    save_formula_draft,
)
from fallow_sieve.store.tables import FormulaDraftRow, FormulaRevisionRow, FormulaRow

routes = Blueprint("formulas", __name__)


@routes.get("/formulas")
@route(FormulaList, query=FormulasQuery)
def formulas() -> Response:
    """Return a page of formulas with their state; `?archived=1` for those put away."""
    cursor, limit = page()
    with store().reading() as session:
        rows = list_formulas(session, cursor, limit + 1, request.args.get("archived") == "1")
        items = [_summary(session, r) for r in rows[:limit]]
    return answer(FormulaList(items=items, next=str(items[-1].formula.id) if len(rows) > limit else None))


@routes.post("/formulas")
@route(FormulaOut, status=201, json=NewFormulaIn)
def add() -> Response:
    """Add a formula."""
    given = body(NewFormulaIn)
    content = content_of(given.content)
    with store().writing() as session:
        if given.brief_id is not None:
            get_brief(session, given.brief_id)
        check_content(session, content)
        row = add_formula(session, given.name.strip(), given.brief_id, content, now_text())
        made = formula_out(session, row)
    return answer(made, 201)


@routes.get("/formulas/<int:formula_id>")
@route(FormulaOut)
def formula(formula_id: int) -> Response:
    """Return a formula with its draft and revisions."""
    with store().reading() as session:
        row = get_formula(session, formula_id)
        return answer(formula_out(session, row), version=row.version)


@routes.put("/formulas/<int:formula_id>")
@route(FormulaHead, json=FormulaIn, stale=True)
def save(formula_id: int) -> Response:
    """Save a formula's name, brief, or whether it is put away."""
    given, version = body(FormulaIn), if_match()
    with store().writing() as session:
        if given.brief_id is not None:
            get_brief(session, given.brief_id)
        row = save_formula(session, formula_id, given.model_dump(), version, now_text())
    return answer(_head(row), version=row.version)


@routes.get("/formulas/<int:formula_id>/draft")
@route(FormulaDraftOut)
def draft(formula_id: int) -> Response:
    """Return the draft on the bench."""
    with store().reading() as session:
        row = get_formula_draft(session, formula_id)
        return answer(_draft(row), version=row.version)


@routes.put("/formulas/<int:formula_id>/draft")
@route(FormulaDraftOut, json=FormulaDraftIn, stale=True)
def keep_draft(formula_id: int) -> Response:
    """Save the draft; a stale save gets 412 and both versions."""
    given, version = body(FormulaDraftIn), if_match()
    content = content_of(given.content)
    with store().writing() as session:
        check_content(session, content)
        if given.based_on is not None:
            get_formula_revision(session, formula_id, given.based_on)
        row = save_formula_draft(session, formula_id, content, given.based_on, version, now_text())
    return answer(_draft(row), version=row.version)


@routes.post("/formulas/<int:formula_id>/revisions")
@route(FormulaOut, status=201, json=KeepIn, stale=True)
def keep(formula_id: int) -> Response:
    """Keep the draft as the next revision, with why."""
    given, version = body(KeepIn), if_match()
    with store().writing() as session:
        keep_formula_revision(session, formula_id, given.why.strip(), version, now_text())
        made = formula_out(session, get_formula(session, formula_id))
    return answer(made, 201, made.draft.version)


@routes.post("/formulas/<int:formula_id>/duplicate")
@route(FormulaOut, status=201, json=DuplicateIn)
def duplicate(formula_id: int) -> Response:
    """Add a formula that starts from this one's draft."""
    given = body(DuplicateIn)
    with store().writing() as session:
        row = get_formula(session, formula_id)
        content = content_in(get_formula_draft(session, formula_id).content)
        made = add_formula(session, given.name.strip(), row.brief_id, content, now_text())
        out = formula_out(session, made)
    return answer(out, 201)


def formula_out(session: Session, row: FormulaRow) -> FormulaOut:
    """Return a formula with its draft and revisions."""
    assert row.id is not None
    return FormulaOut(
        formula=_head(row),
        draft=_draft(get_formula_draft(session, row.id)),
        revisions=[_revision(r) for r in formula_revisions(session, row.id)],
    )


def _head(row: FormulaRow) -> FormulaHead:
    return FormulaHead(**{name: getattr(row, name) for name in FormulaHead.model_fields})


def _draft(row: FormulaDraftRow) -> FormulaDraftOut:
    return FormulaDraftOut(
        content=content_out(content_in(row.content)),
        based_on=row.based_on,
        updated_at=row.updated_at,
        version=row.version,
    )


def _revision(row: FormulaRevisionRow) -> FormulaRevisionOut:
    return FormulaRevisionOut(
        number=row.number,
        content=content_out(content_in(row.content)),
        why=row.why,
        based_on=row.based_on,
        kept_at=row.kept_at,
    )


def _summary(session: Session, row: FormulaRow) -> FormulaSummary:
    assert row.id is not None
    draft, revisions = get_formula_draft(session, row.id), formula_revisions(session, row.id)
    content = content_in(draft.content)
    found, wrong = _judged(content)
    wanted = found.wanted if found else None
    return FormulaSummary(
        formula=_head(row),
        use=content.formula.use,
        blend_name=content.pinned.name if content.pinned else "",
        state="unjudged" if wrong else _state(found),
        say=found.say if found else wrong or "Nothing in it yet.",
        dough_g=found.analysis.dough_g if found else None,
        hydration_pct=found.analysis.hydration_pct if found else None,
        wanted_low_pct=wanted.low_pct if wanted else None,
        wanted_high_pct=wanted.high_pct if wanted else None,
        bakes=found.learnt[-1].bakes if found else 0,
        revisions=len(revisions),
        kept=any(r.content == draft.content for r in revisions),
    )


def _judged(content: Content) -> tuple[FormulaJudgement | None, str]:
    """The judgement of a content that has lines; or why it cannot be judged, which must not take the list with it."""
    if not content.formula.lines:
        return None, ""
    try:
        return judged(content), ""
    except BadInputError as error:
        return None, f"It cannot be judged: {error.wrong}."


def _state(found: FormulaJudgement | None) -> str:
    if found is None:
        return "empty"
    statuses = {g.status for g in found.gauges}
    if Status.HELD in statuses:
        return "held"
    if Status.CLOSE in statuses:
        return "close"
    return "passes" if Status.PASS in statuses else "unjudged"
