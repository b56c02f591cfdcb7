"""Measures taken by hand: which ways there are, and what the numbers of one come to."""

from __future__ import annotations

from dataclasses import asdict

from flask import Blueprint, Response, request

from fallow_sieve.api.http import answer, answer_value, body, kitchen, store
from fallow_sieve.api.spec import route
from fallow_sieve.api.trials.measuring_models import (
    MeasureExplainedOut,
    MeasureIn,
    MeasureQuery,
    MeasureWayOut,
    MeasuringOut,
    TakenOut,
)
from fallow_sieve.core.trials.measures.ways import WAYS, measured_by
from fallow_sieve.reference import quantities
from fallow_sieve.services.trials.page import measure_seen

routes = Blueprint("measuring", __name__)
MOST_NAME = 40


@routes.get("/measures")
@route(MeasuringOut)
def ways() -> Response:
    """Return the ways to measure a bake, with the numbers that each asks for."""
    return answer(MeasuringOut(items=[_way(n) for n in WAYS]))


def _way(name: str) -> MeasureWayOut:
    w = WAYS[name]
    unit = quantities()[w.quantity].unit
    asks = [asdict(a) for a in w.asks]
    return MeasureWayOut.model_validate(
        {"name": w.name, "label": w.label, "quantity": w.quantity, "unit": unit, "how": w.how, "asks": asks}
    )


@routes.post("/measures")
@route(TakenOut, json=MeasureIn)
def measured() -> Response:
    """Return what the numbers of a way come to, with its uncertainty; nothing is noted."""
    given = body(MeasureIn)
    found = measured_by(given.way, given.numbers)
    return answer(TakenOut(quantity=WAYS[given.way].quantity, **asdict(found)))


@routes.get("/trials/<int:trial_id>/measures/<name>")
@route(MeasureExplainedOut, query=MeasureQuery)
def how_measured(trial_id: int, name: str) -> Response:
    """Return how a measure of a trial came about, what it rests on, and how far the next limit is."""
    here = kitchen()
    with store().reading() as session:
        found = measure_seen(session, trial_id, name, here, request.args.get("arm", "")[:MOST_NAME])
    return answer_value(MeasureExplainedOut, found)
