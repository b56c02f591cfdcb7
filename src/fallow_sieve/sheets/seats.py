"""The sheet of a seat at a tasting: a page a slice, forms that work without script, saved at every step."""

from __future__ import annotations

from typing import cast

from flask import Response, redirect, render_template, request
from sqlmodel import Session
from werkzeug.exceptions import HTTPException

from fallow_sieve.core.values import FallowSieveError
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.tastings.answering import SeatNow, hand_in, note_answers, note_begun, say_avoids, seat_now
from fallow_sieve.services.tastings.setting import SEAT
from fallow_sieve.sheets.at_hand import Tokens, kitchen_at_hand, kitchen_store, now_text
from fallow_sieve.sheets.seat_forms import AVOID, END, answers_in, page_asked, pages_of, seat_view
from fallow_sieve.store import NotFoundError

MOST_BYTES = 8 * 1024
_BACK, _NEXT, _STAY, _HAND_IN = "back", "next", "stay", "hand-in"


class SeatSheets:
    """Sheets of seats under their tokens; None where a token is not one of a seat that is open."""

    def __init__(self) -> None:
        self._tokens = Tokens(SEAT)

    def knows(self, token: str) -> bool:
        """Return whether a token opens a seat's sheet now."""
        return self._tokens.about(token) is not None

    def show(self, token: str) -> Response | None:
        """Return the page of a seat that is asked for."""
        seat_id = self._tokens.allowed(token)
        if seat_id is None:
            return None
        here = kitchen_at_hand()
        try:
            with kitchen_store().writing() as session:
                found = seat_now(session, seat_id, here)
                note_begun(session, found, now_text())
        except NotFoundError:
            return None
        return _page(found, request.args.get("at", ""))

    def take(self, token: str) -> Response | None:
        """Save what a form says and go on to where it asks."""
        seat_id = self._tokens.allowed(token)
        if seat_id is None:
            return None
        if (request.content_length or 0) > MOST_BYTES:
            raise HTTPException(response=Response("that is too long", 413))
        here = kitchen_at_hand()
        try:
            with kitchen_store().writing() as session:
                found = seat_now(session, seat_id, here)
                return _taken(session, found, here)
        except NotFoundError:
            return None
        except FallowSieveError as error:
            with kitchen_store().reading() as session:
                found = seat_now(session, seat_id, here)
            return _page(found, request.form.get("at", ""), str(error), 422)


def _page(found: SeatNow, at: str, problem: str = "", status: int = 200) -> Response:
    text = render_template("seat.html", view=seat_view(found, page_asked(found, at)), problem=problem)
    return Response(text, status, mimetype="text/html")


def _taken(session: Session, found: SeatNow, here: KitchenNow) -> Response:
    form, at, go = request.form, request.form.get("at", ""), request.form.get("go", _NEXT)
    now = now_text()
    if at == AVOID:
        say_avoids(session, found, form.getlist("avoid"), now)
        found = seat_now(session, found.seat.id, here)
    elif found.seat.seat.asked:
        note_answers(session, found, answers_in(form, found, at), now)
        if go == _HAND_IN and at == END:
            hand_in(session, found, now)
    if go == _STAY:
        return Response(status=204)
    return cast(Response, redirect(f"?at={_after(found, at, go)}", 303))


def _after(found: SeatNow, at: str, go: str) -> str:
    pages = pages_of(found)
    place = pages.index(at) if at in pages else -1
    step = -1 if go == _BACK else 0 if go == _HAND_IN else 1
    return pages[max(0, min(len(pages) - 1, place + step))]
