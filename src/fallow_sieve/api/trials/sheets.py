"""Sheets of trials: one on this machine, and others handed to a phone under a token of their own for a day."""

from __future__ import annotations

from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from typing import cast

import segno
from flask import Blueprint, Response, current_app
from werkzeug.exceptions import NotFound

from fallow_sieve.api.http import answer, body, now_text, store
from fallow_sieve.api.spec import route
from fallow_sieve.api.trials.models import DoorOut, HandOutIn, SheetLinkOut
from fallow_sieve.sheets.pages import sheet_pages
from fallow_sieve.sheets.server import SheetServer, address_of, addresses_here, link_base
from fallow_sieve.store.trials import get_trial, hand_out, take_in

routes = Blueprint("sheets_of_trials", __name__)
HOURS = 24


def _own(key: str) -> int:
    """On this machine a sheet is opened by its trial's number."""
    if not key.isdigit() or len(key) > 15:
        raise NotFound
    with store().reading() as session:
        return get_trial(session, int(key)).id


pages = sheet_pages("sheet", _own)


def _server() -> SheetServer:
    return cast(SheetServer, current_app.extensions["sheets"])


@routes.get("/sheets")
@route(DoorOut)
def door() -> Response:
    """Return where sheets are served now, if they are, and by which addresses this machine may be reached."""
    open_at = _server().door
    host, port = (open_at.host, open_at.port) if open_at else (None, None)
    return answer(DoorOut(host=host, port=port, addresses=addresses_here(), hours=HOURS))


@routes.post("/trials/<int:trial_id>/sheets")
@route(SheetLinkOut, status=201, json=HandOutIn)
def hand(trial_id: int) -> Response:
    """Hand a sheet out: listen where it is said, and answer with an address that opens this one sheet for a day."""
    given = body(HandOutIn)
    host = address_of(given.host)
    with store().reading() as session:
        get_trial(session, trial_id)
    opened = _server().open(str(host), given.port)
    make: Callable[[int], str] = current_app.extensions["tokens"]
    token = make(16)
    ends = datetime.fromisoformat(now_text()).astimezone(UTC) + timedelta(hours=HOURS)
    ends_at = ends.strftime("%Y-%m-%dT%H:%M:%SZ")
    with store().writing() as session:
        hand_out(session, token, trial_id, now_text(), ends_at)
    url = f"{link_base(host, opened.port)}/{token}/"
    qr = segno.make(url, error="m").svg_inline(scale=4, border=2)
    return answer(SheetLinkOut(url=url, qr_svg=qr, ends_at=ends_at, host=opened.host, port=opened.port), 201)


@routes.delete("/trials/<int:trial_id>/sheets")
@route(None, status=204)
def take(trial_id: int) -> Response:
    """Let no token open the sheets of this trial any more."""
    with store().writing() as session:
        take_in(session, trial_id)
    return Response(status=204)
