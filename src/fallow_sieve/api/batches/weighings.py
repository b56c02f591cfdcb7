"""Weighings: each under the key that the device gave it, so that a repeat counts once."""

from __future__ import annotations

import re

from flask import Blueprint, Response

from fallow_sieve.api.batches.handling import EmptiedOut, EmptyIn, PourInIn, VoidIn, WeighedOut, WeighingIn
from fallow_sieve.api.batches.models import BatchOut
from fallow_sieve.api.batches.routes import told
from fallow_sieve.api.http import answer, body, kitchen, now_text, store, today
from fallow_sieve.api.spec import route
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.services.batches.pouring_in import pour_in
from fallow_sieve.services.batches.weighing import Weighed, found_empty, void, weigh

routes = Blueprint("weighings", __name__)


@routes.put("/batches/<int:batch_id>/weighings/<key>")
@route(WeighedOut, json=WeighingIn)
def take(batch_id: int, key: str) -> Response:
    """Take a weighing under its key and draw it from its lot; the same again answers as the first time."""
    given = body(WeighingIn)
    _check_key(key)
    with store().writing() as session:
        made = weigh(session, batch_id, Weighed(key=key, **given.model_dump()), now_text(), today())
    return answer(WeighedOut(key=made.key, net_g=made.net_g))


@routes.put("/batches/<int:batch_id>/pours-in/<key>")
@route(BatchOut, json=PourInIn)
def take_in(batch_id: int, key: str) -> Response:
    """Pour a bag of an earlier batch in under a key; the same again does nothing more."""
    given, here = body(PourInIn), kitchen()
    _check_key(key)
    with store().writing() as session:
        pour_in(session, batch_id, key, given.bag_id, given.mass_g, now_text())
        return told(session, batch_id, here)


def _check_key(key: str) -> None:
    if not re.fullmatch(r"[A-Za-z0-9-]{8,64}", key):
        raise BadInputError(f"the key {shown(key)}", place="key", right="8 to 64 letters, digits or hyphens")


@routes.post("/batches/<int:batch_id>/weighings/<key>/void")
@route(BatchOut, json=VoidIn)
def take_back(batch_id: int, key: str) -> Response:
    """Void a weighing with its reason: its flour goes back to its lot."""
    given, here = body(VoidIn), kitchen()
    with store().writing() as session:
        void(session, batch_id, key, given.key, given.why, now_text())
        return told(session, batch_id, here)


@routes.post("/batches/<int:batch_id>/empty")
@route(EmptiedOut, json=EmptyIn)
def lot_is_empty(batch_id: int) -> Response:
    """Count a lot as empty: what its books still hold is found to be gone."""
    given = body(EmptyIn)
    with store().writing() as session:
        return answer(EmptiedOut(missing_g=found_empty(session, batch_id, given.lot_id, now_text())))
