"""The weigh-up sheet of a batch, handed to a phone under a token of its own for a day."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.batches.models import WeighSheetIn, WeighSheetOut
from fallow_sieve.api.handing import handed_out
from fallow_sieve.api.http import answer, body, store
from fallow_sieve.api.spec import route
from fallow_sieve.sheets.weighing import BATCH
from fallow_sieve.store.batches import get_batch
from fallow_sieve.store.trials import take_in

routes = Blueprint("sheets_of_batches", __name__)


@routes.post("/batches/<int:batch_id>/sheets")
@route(WeighSheetOut, status=201, json=WeighSheetIn)
def hand(batch_id: int) -> Response:
    """Hand a weigh-up sheet out: listen where it is said, and answer with an address that opens it for a day."""
    given = body(WeighSheetIn)
    with store().reading() as session:
        get_batch(session, batch_id)
    link = handed_out(given.host, given.port, batch_id, BATCH)
    return answer(WeighSheetOut(url=link.url, qr_svg=link.qr_svg, ends_at=link.ends_at), 201)


@routes.delete("/batches/<int:batch_id>/sheets")
@route(None, status=204)
def take(batch_id: int) -> Response:
    """Let no token open the weigh-up of this batch any more."""
    with store().writing() as session:
        take_in(session, batch_id, BATCH)
    return Response(status=204)
