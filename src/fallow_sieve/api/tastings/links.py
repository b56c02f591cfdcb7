"""Phone sheets of seats: each under a token of its own, and only while no block stands at the table."""

from __future__ import annotations

from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from typing import cast

import segno
from flask import Blueprint, Response, current_app
from sqlmodel import Session

from fallow_sieve.api.http import answer, body, kitchen, now_text, store
from fallow_sieve.api.looking import refuse_looking
from fallow_sieve.api.spec import route
from fallow_sieve.api.tastings.models import SeatLink, SeatLinksIn, SeatLinksOut
from fallow_sieve.core.tastings.panels import Stage
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.tastings.setting import SEAT
from fallow_sieve.services.tastings.table import TableNow, table_now
from fallow_sieve.sheets.server import SheetServer, address_of, link_base
from fallow_sieve.store.tastings import SeatOnRecord
from fallow_sieve.store.trials import hand_out, take_in

routes = Blueprint("seat_links", __name__)
HOURS = 24


@routes.post("/tastings/<int:tasting_id>/links")
@route(SeatLinksOut, status=201, json=SeatLinksIn)
def hand(tasting_id: int) -> Response:
    """Listen where it is said, and answer with a link a seat; a seat's earlier link opens nothing any more."""
    refuse_looking("links to seats")
    given, here = body(SeatLinksIn), kitchen()
    with store().reading() as session:
        seats = _seats(table_now(session, tasting_id, here), given.seat)
    host = address_of(given.host)
    opened = cast(SheetServer, current_app.extensions["sheets"]).open(str(host), given.port)
    ends = datetime.fromisoformat(now_text()).astimezone(UTC) + timedelta(hours=HOURS)
    ends_at = ends.strftime("%Y-%m-%dT%H:%M:%SZ")
    base = link_base(host, opened.port)
    with store().writing() as session:
        links = [_link(session, seat, base, ends_at) for seat in seats]
    return answer(SeatLinksOut(links=links, ends_at=ends_at), 201)


def _seats(here: TableNow, number: int | None) -> list[SeatOnRecord]:
    """The seats that a link is made for; none with a block. Raises BadInputError where there are none so."""
    if here.record.stage is not Stage.OPEN:
        raise BadInputError(f"the table is {here.record.stage}", place="/stage", right="open it first")
    asked = [s for s in here.seats if not s.seat.dropped and number in (None, s.seat.number)]
    if not asked:
        raise BadInputError(f"there is no seat {number}", place="/seat", right="one of the table's")
    free = [s for s in asked if not here.blocked[s.seat.number]]
    if not free:
        wrong = f"seat {asked[0].seat.number} must not have everything"
        raise BadInputError(wrong, place=f"/seats/{asked[0].seat.number}", right="say what is left out first")
    return free


def _link(session: Session, seat: SeatOnRecord, base: str, ends_at: str) -> SeatLink:
    make: Callable[[int], str] = current_app.extensions["tokens"]
    token = make(16)
    take_in(session, seat.id, SEAT)
    hand_out(session, token, seat.id, now_text(), ends_at, SEAT)
    url = f"{base}/{token}/"
    return SeatLink(seat=seat.seat.number, url=url, qr_svg=segno.make(url, error="m").svg_inline(scale=4, border=2))
