"""Experiments: begun, set, planned, looked at, kept."""

from __future__ import annotations

from flask import Blueprint, Response, request
from sqlmodel import Session

from fallow_sieve.api.experiments.models import (
    ExperimentAskedOut,
    ExperimentIn,
    ExperimentList,
    ExperimentOut,
    ExperimentsQuery,
    KeptOut,
    NewExperimentIn,
    PointIn,
    PointOut,
    ResponseOut,
    SliceQuery,
)
from fallow_sieve.api.http import (
    answer,
    answer_value,
    body,
    file_answer,
    if_match,
    kitchen,
    now_text,
    stem_of,
    store,
    whole,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.experiments.walls import Walls
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.services.experiments.asked import (
    RESPONSES,
    ExperimentAsked,
    WishAlso,
    asked_record,
    response_named,
    varied_of,
)
from fallow_sieve.services.experiments.making import Setting, begin_experiment, change, keep, plan
from fallow_sieve.services.experiments.page import experiment_page, point_seen, standings
from fallow_sieve.services.experiments.tidy import tidy_table
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store import FORMULAS
from fallow_sieve.store.experiments import get_experiment

routes = Blueprint("experiments", __name__)


def here_of(experiment_id: int) -> KitchenNow:
    """Return the kitchen within the limits of the brief that an experiment's formula works for. NotFoundError."""
    with store().reading() as session:
        brief = FORMULAS.get(session, get_experiment(session, experiment_id).formula_id).brief_id
    return kitchen(brief)


@routes.get("/experiments")
@route(ExperimentList, query=ExperimentsQuery)
def listed() -> Response:
    """Return the experiments, the newest first."""
    cursor, limit, here = whole("cursor", 0, 1, 2**53), whole("limit", 50, 1, 100), kitchen()
    with store().reading() as session:
        found = standings(session, here, cursor, limit + 1)
    return answer(ExperimentList(items=found[:limit], next=found[limit - 1].id if len(found) > limit else None))


@routes.post("/experiments")
@route(ExperimentOut, status=201, json=NewExperimentIn)
def add() -> Response:
    """Begin an experiment on a formula: its largest flours are varied about today's shares."""
    given, here = body(NewExperimentIn), kitchen()
    with store().writing() as session:
        made = begin_experiment(session, given.formula_id, given.name.strip(), here, now_text())
        return told(session, made, here, 201)


@routes.get("/experiments/<int:experiment_id>")
@route(ExperimentOut, query=SliceQuery)
def one(experiment_id: int) -> Response:
    """Return an experiment with all that its page shows; of four parts at a share of the fourth."""
    here = here_of(experiment_id)
    with store().reading() as session:
        return told(session, experiment_id, here, fourth=_fourth())


def _fourth() -> float | None:
    text = request.args.get("fourth")
    if text is None:
        return None
    try:
        value = float(text)
    except ValueError as error:
        raise BadInputError(f"the share {shown(text)}", place="fourth", right="0 to 1") from error
    if not 0 <= value <= 1:
        raise BadInputError(f"the share {shown(text)}", place="fourth", right="0 to 1")
    return value


@routes.put("/experiments/<int:experiment_id>")
@route(ExperimentOut, json=ExperimentIn, stale=True)
def save(experiment_id: int) -> Response:
    """Save how an experiment is set; with If-Match."""
    given, version, here = body(ExperimentIn), if_match(), here_of(experiment_id)
    values = given.asked.model_dump()
    response_named(given.asked.response)
    parts = tuple(varied_of(p) for p in values["parts"])
    for n, part in enumerate(given.asked.parts):
        if part.low_pct > part.high_pct:
            raise BadInputError(f"{part.name}: least over most", place=f"/asked/parts/{n}", right="the least first")
    also = tuple(WishAlso(**w) for w in values["also"])
    for wish in also:
        response_named(wish.response)
    asked = ExperimentAsked(**{**values, "parts": parts, "walls": Walls(given.asked.walls), "also": also})
    setting = Setting(given.name.strip(), asked, given.note, given.archived)
    with store().writing() as session:
        change(session, experiment_id, setting, version, here, now_text())
        return told(session, experiment_id, here)


@routes.post("/experiments/<int:experiment_id>/plan")
@route(ExperimentOut)
def plan_it(experiment_id: int) -> Response:
    """Plan the first set of bakes anew."""
    here = here_of(experiment_id)
    with store().writing() as session:
        plan(session, experiment_id, here)
        return told(session, experiment_id, here)


@routes.post("/experiments/<int:experiment_id>/point")
@route(PointOut, json=PointIn)
def point(experiment_id: int) -> Response:
    """Return a point of the map: its column, grams, sieves, and what the map says of it."""
    given, here = body(PointIn), here_of(experiment_id)
    with store().reading() as session:
        return answer_value(PointOut, point_seen(session, experiment_id, given.x, here))


@routes.post("/experiments/<int:experiment_id>/keep")
@route(KeptOut, json=PointIn, status=201)
def keep_it(experiment_id: int) -> Response:
    """Keep a point as a revision of the blend that the experiment began with, with the experiment as its reason."""
    given, here = body(PointIn), here_of(experiment_id)
    with store().writing() as session:
        blend_id, revision = keep(session, experiment_id, given.x, here, now_text())
    return answer(KeptOut(blend_id=blend_id, revision=revision), 201)


@routes.get("/experiments/<int:experiment_id>/export")
@route(None)
def export(experiment_id: int) -> Response:
    """Return the bakes as a tidy table (CSV)."""
    here = here_of(experiment_id)
    with store().reading() as session:
        page = experiment_page(session, experiment_id, here)
    return file_answer(tidy_table(page), "text/csv", f"{stem_of(page.record.name, 'experiment')}.csv")


def told(
    session: Session, experiment_id: int, here: KitchenNow, status: int = 200, fourth: float | None = None
) -> Response:
    """Return an experiment with all that its page shows, its version as ETag."""
    page = experiment_page(session, experiment_id, here, fourth)
    r, pin = page.record, page.record.formula.pin
    found = ExperimentOut(
        **{n: getattr(r, n) for n in ("id", "version", "name", "note", "archived", "created_at", "formula_id")},
        formula_name=FORMULAS.get(session, r.formula_id).name,
        blend_id=pin.id if pin else None, blend_name=pin.name if pin else "",
        blend_revision=pin.revision if pin else None,
        asked=ExperimentAskedOut.model_validate(asked_record(page.asked)),
        responses=[ResponseOut.model_validate(x) for x in RESPONSES.values()],
        response=ResponseOut.model_validate(RESPONSES[page.asked.response]),
        **{n: getattr(page, n) for n in _PAGE},
    )  # fmt: skip
    return answer(found, status, r.version)


_PAGE = (
    "today", "total_pct", "rows", "runs", "map", "picture", "columns", "checks", "fits", "bands", "joined",
    "planned_se", "cost", "say", "trouble",
)  # fmt: skip
