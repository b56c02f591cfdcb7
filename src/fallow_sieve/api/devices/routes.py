"""The scale on the bench. What ships is simulated, and can be loaded from the page."""

from __future__ import annotations

from typing import cast

from flask import Blueprint, Response, current_app

from fallow_sieve.api.devices.models import LoadIn, ScaleOut, StreamIn
from fallow_sieve.api.http import answer, body
from fallow_sieve.api.spec import route
from fallow_sieve.devices import Scale, SimulatedScale
from fallow_sieve.store import NotFoundError

routes = Blueprint("devices", __name__)


def _scale() -> Scale:
    return cast(Scale, current_app.extensions["scale"])


@routes.get("/devices/scale")
@route(ScaleOut)
def scale() -> Response:
    """Return what the scale shows now."""
    return answer(_shown())


@routes.post("/devices/scale/tare")
@route(ScaleOut)
def tare() -> Response:
    """Make what stands on the scale count as nothing."""
    _scale().tare()
    return answer(_shown())


@routes.put("/devices/scale/load")
@route(ScaleOut, json=LoadIn)
def load() -> Response:
    """Put a mass on the simulated scale; a real one has to be loaded by hand."""
    given = body(LoadIn)
    _simulated().load(given.mass_g)
    return answer(_shown())


@routes.put("/devices/scale/stream")
@route(ScaleOut, json=StreamIn)
def pour() -> Response:
    """Let flour run onto the simulated scale, or stop it."""
    given = body(StreamIn)
    _simulated().pour(given.g_per_s)
    return answer(_shown())


def _simulated() -> SimulatedScale:
    on_bench = _scale()
    if not isinstance(on_bench, SimulatedScale):
        raise NotFoundError("simulated scale", on_bench.name)
    return on_bench


def _shown() -> ScaleOut:
    on_bench = _scale()
    found = on_bench.read()
    return ScaleOut(
        name=on_bench.name,
        simulated=isinstance(on_bench, SimulatedScale),
        readability_g=on_bench.readability_g,
        mass_g=found.mass_g,
        stable=found.stable,
        gross_g=found.gross_g,
        capacity_g=on_bench.capacity_g,
        overload=found.overload,
    )
