"""Holds and drills: a lot holds what it went into; a drill holds nothing."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, answer_value, body, kitchen, now_text, store
from fallow_sieve.api.spec import route
from fallow_sieve.api.stock.models import DrillFoundIn, DrillOut, HeldOut, HoldIn, ReleasedOut, ReleaseIn
from fallow_sieve.services.stock.holding import (
    drill,
    found_in_drill,
    hold_batch,
    hold_lot,
    release_batch,
    release_lot,
    would_hold,
)

routes = Blueprint("holds", __name__)


@routes.get("/lots/<int:lot_id>/hold")
@route(HeldOut)
def preview(lot_id: int) -> Response:
    """Return what would go on hold with a lot."""
    here = kitchen()
    with store().reading() as session:
        return answer_value(HeldOut, would_hold(session, lot_id, here.shelf))


@routes.post("/lots/<int:lot_id>/hold")
@route(HeldOut, status=201, json=HoldIn)
def hold_it(lot_id: int) -> Response:
    """Hold a lot, and with it every batch that it went into."""
    given, here = body(HoldIn), kitchen()
    with store().writing() as session:
        held = hold_lot(session, lot_id, given.why, now_text(), here.shelf, given.recalled)
        return answer_value(HeldOut, held, 201)


@routes.post("/lots/<int:lot_id>/release")
@route(ReleasedOut, json=ReleaseIn)
def release_it(lot_id: int) -> Response:
    """Release a lot with what it holds."""
    given = body(ReleaseIn)
    with store().writing() as session:
        return answer(ReleasedOut(ended=release_lot(session, lot_id, given.why, now_text())))


@routes.post("/batches/<int:batch_id>/hold")
@route(None, status=204, json=HoldIn)
def hold_one(batch_id: int) -> Response:
    """Hold a batch."""
    given = body(HoldIn)
    with store().writing() as session:
        hold_batch(session, batch_id, given.why, now_text(), given.recalled)
    return Response(status=204)


@routes.post("/batches/<int:batch_id>/release")
@route(None, status=204, json=ReleaseIn)
def release_one(batch_id: int) -> Response:
    """Release a batch from what holds it by itself."""
    given = body(ReleaseIn)
    with store().writing() as session:
        release_batch(session, batch_id, given.why, now_text())
    return Response(status=204)


@routes.post("/lots/<int:lot_id>/drills")
@route(DrillOut, status=201)
def begin(lot_id: int) -> Response:
    """Begin a drill: find every bag that a lot went into."""
    here = kitchen()
    with store().writing() as session:
        return answer_value(DrillOut, drill(session, lot_id, now_text(), here.shelf), 201)


@routes.post("/drills/<int:drill_id>/found")
@route(DrillOut, json=DrillFoundIn)
def found(drill_id: int) -> Response:
    """End a drill with what was found."""
    given = body(DrillFoundIn)
    with store().writing() as session:
        return answer_value(DrillOut, found_in_drill(session, drill_id, given.found_g, given.missing, now_text()))
