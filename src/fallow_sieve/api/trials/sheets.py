"""Sheets of trials: one on this machine, and others handed to a phone under a token of their own for a day."""

from __future__ import annotations

from flask import Blueprint, Response
from werkzeug.exceptions import NotFound

from fallow_sieve.api.handing import HOURS, handed_out, sheet_server
from fallow_sieve.api.http import answer, body, store
from fallow_sieve.api.spec import route
from fallow_sieve.api.trials.models import DoorOut, HandOutIn, SheetLinkOut
from fallow_sieve.sheets.pages import sheet_pages
from fallow_sieve.sheets.server import addresses_here
from fallow_sieve.store.trials import TRIAL, get_trial, take_in

routes = Blueprint("sheets_of_trials", __name__)


def _own(key: str) -> int:
    """On this machine a sheet is opened by its trial's number."""
    if not key.isdigit() or len(key) > 15:
        raise NotFound
    with store().reading() as session:
        return get_trial(session, int(key)).id


pages = sheet_pages("sheet", _own)


@routes.get("/sheets")
@route(DoorOut)
def door() -> Response:
    """Return where sheets are served now, if they are, and by which addresses this machine may be reached."""
    open_at = sheet_server().door
    host, port = (open_at.host, open_at.port) if open_at else (None, None)
    return answer(DoorOut(host=host, port=port, addresses=addresses_here(), hours=HOURS))


@routes.post("/trials/<int:trial_id>/sheets")
@route(SheetLinkOut, status=201, json=HandOutIn)
def hand(trial_id: int) -> Response:
    """Hand a sheet out: listen where it is said, and answer with an address that opens this one sheet for a day."""
    given = body(HandOutIn)
    with store().reading() as session:
        get_trial(session, trial_id)
    link = handed_out(given.host, given.port, trial_id, TRIAL)
    door = link.door
    return answer(
        SheetLinkOut(url=link.url, qr_svg=link.qr_svg, ends_at=link.ends_at, host=door.host, port=door.port), 201
    )


@routes.delete("/trials/<int:trial_id>/sheets")
@route(None, status=204)
def take(trial_id: int) -> Response:
    """Let no token open the sheets of this trial any more."""
    with store().writing() as session:
        take_in(session, trial_id)
    return Response(status=204)
