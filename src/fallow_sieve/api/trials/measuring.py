"""Measures taken by hand: which ways there are, and what the numbers of one come to."""

from __future__ import annotations

from dataclasses import asdict

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, body
from fallow_sieve.api.spec import route
from fallow_sieve.api.trials.measuring_models import MeasureIn, MeasureWayOut, MeasuringOut, TakenOut
from fallow_sieve.core.trials.measures.ways import WAYS, measured_by
from fallow_sieve.reference import quantities

routes = Blueprint("measuring", __name__)


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
