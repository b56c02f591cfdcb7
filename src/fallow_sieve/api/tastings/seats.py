"""Seats of a table: who comes late, what is left out or lifted, who is taken out, and what a paper sheet says."""

from __future__ import annotations

from flask import Blueprint, Response
from sqlmodel import Session

from fallow_sieve.api.http import answer, body, kitchen, now_text, store
from fallow_sieve.api.spec import route
from fallow_sieve.api.tastings.models import (
    DropIn,
    LateSeatIn,
    LeaveOutIn,
    LiftIn,
    SeatAnswerIn,
    SeatAnswerOut,
    SeatAnswersIn,
    SeatPaper,
    TastingOut,
)
from fallow_sieve.api.tastings.routes import told
from fallow_sieve.core.tastings.avoiding import Avoids
from fallow_sieve.core.tastings.sheets import TABLE, Answer
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.tastings.answering import SeatNow, hand_in, note_answers, seat_of_table
from fallow_sieve.services.tastings.page import tasting_page
from fallow_sieve.services.tastings.setting import drop, late_seat, leave_out, lift
from fallow_sieve.services.tastings.table import table_now

routes = Blueprint("seats", __name__)


@routes.post("/tastings/<int:tasting_id>/seats")
@route(TastingOut, status=201, json=LateSeatIn)
def come_late(tasting_id: int) -> Response:
    """Lay a seat for one who comes late; what they must not have is left out from the first."""
    given, here = body(LateSeatIn), kitchen()
    avoids = Avoids(frozenset(given.allergies), frozenset(given.by_choice), given.coeliac)
    with store().writing() as session:
        late_seat(session, tasting_id, " ".join(given.name.split()), avoids, here, now_text())
        return told(tasting_page(session, tasting_id, here), 201)


@routes.post("/tastings/<int:tasting_id>/seats/<int:seat>/leave-out")
@route(TastingOut, json=LeaveOutIn)
def leave(tasting_id: int, seat: int) -> Response:
    """Leave a sample out at a seat."""
    given, here = body(LeaveOutIn), kitchen()
    with store().writing() as session:
        leave_out(session, table_now(session, tasting_id, here), seat, given.sample, now_text())
        return told(tasting_page(session, tasting_id, here))


@routes.post("/tastings/<int:tasting_id>/seats/<int:seat>/lift")
@route(TastingOut, json=LiftIn)
def lift_it(tasting_id: int, seat: int) -> Response:
    """Lift an avoidance by choice, by the taster's name and why; an allergy or coeliac disease never is."""
    given, here = body(LiftIn), kitchen()
    with store().writing() as session:
        now = table_now(session, tasting_id, here)
        lift(session, now, seat, given.sample, given.name, given.why, now_text())
        return told(tasting_page(session, tasting_id, here))


@routes.post("/tastings/<int:tasting_id>/seats/<int:seat>/drop")
@route(TastingOut, json=DropIn)
def drop_it(tasting_id: int, seat: int) -> Response:
    """Take a seat out before unblinding, with a reason; the result is shown with it and without."""
    given, here = body(DropIn), kitchen()
    with store().writing() as session:
        drop(session, table_now(session, tasting_id, here), seat, given.why, now_text())
        return told(tasting_page(session, tasting_id, here))


@routes.get("/tastings/<int:tasting_id>/seats/<int:seat>/paper")
@route(SeatPaper)
def paper(tasting_id: int, seat: int) -> Response:
    """Return what is to be typed in of a seat's paper sheet: its codes in its order."""
    here = kitchen()
    with store().reading() as session:
        return _paper(seat_of_table(session, tasting_id, seat, here))


@routes.put("/tastings/<int:tasting_id>/seats/<int:seat>/paper")
@route(SeatPaper, json=SeatAnswersIn)
def type_in(tasting_id: int, seat: int) -> Response:
    """Set the answers of a paper sheet; after unblinding they are kept as late, and not counted."""
    given, here = body(SeatAnswersIn), kitchen()
    with store().writing() as session:
        found = seat_of_table(session, tasting_id, seat, here)
        note_answers(session, found, [_answer(found, a, n) for n, a in enumerate(given.answers)], now_text())
        if given.handed_in and not found.seat.seat.handed_in_at:
            _handed(session, tasting_id, seat)
        return _paper(seat_of_table(session, tasting_id, seat, here))


def _handed(session: Session, tasting_id: int, seat: int) -> None:
    hand_in(session, seat_of_table(session, tasting_id, seat, kitchen()), now_text())


def _answer(found: SeatNow, given: SeatAnswerIn, place: int) -> Answer:
    """An answer by codes as the core knows it: by plates. A choice is a code, or 0 for neither."""
    by_code = {found.here.table.plates[p].code: p for p in found.plates}
    if given.code is not None and given.code not in by_code:
        right = f"one of {', '.join(map(str, by_code))}"
        raise BadInputError(f"the code {given.code}", place=f"/answers/{place}/code", right=right)
    value = given.value
    if given.code is None and value:
        value = float(by_code.get(int(value), -1))
    return Answer(by_code[given.code] if given.code else TABLE, given.method, given.attribute, value, given.text)


def _paper(found: SeatNow) -> Response:
    plates = found.here.table.plates
    answers = [
        SeatAnswerOut(
            code=plates[a.plate].code if a.plate in plates else None,
            method=a.method,
            attribute=a.attribute,
            value=plates[int(a.value)].code if a.plate == TABLE and a.value else a.value,
            text=a.text,
        )
        for a in found.given.values()
    ]
    return answer(SeatPaper(number=found.seat.seat.number, codes=found.codes, answers=answers))
