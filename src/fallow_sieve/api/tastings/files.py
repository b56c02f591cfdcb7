"""A table out: the plating sheet, paper sheets, answers as a tidy table."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, body, file_answer, kitchen, now_text, stem_of, store
from fallow_sieve.api.spec import route
from fallow_sieve.api.tastings.models import PlateOut, PlatingOut, PlatingSeat, WhoIn
from fallow_sieve.formats.shared import PDF_TYPE
from fallow_sieve.services.tastings.answering import seats_now
from fallow_sieve.services.tastings.paper import paper_sheets
from fallow_sieve.services.tastings.setting import see_plates
from fallow_sieve.services.tastings.table import TableNow, table_now
from fallow_sieve.services.tastings.tidy import tidy_table

routes = Blueprint("tasting_files", __name__)


@routes.post("/tastings/<int:tasting_id>/plating")
@route(PlatingOut, json=WhoIn)
def plating(tasting_id: int) -> Response:
    """Return which sample is under which code, for who plates; that it was looked at is kept, with the name."""
    given, here = body(WhoIn), kitchen()
    with store().writing() as session:
        now = table_now(session, tasting_id, here)
        see_plates(session, now, given.who, now_text())
        return answer(_plating(now))


def _plating(now: TableNow) -> PlatingOut:
    samples = {s.number: s for s in now.table.samples}
    plates = [
        PlateOut(code=p.code, sample=samples[p.sample].name, because=samples[p.sample].because,
                 lot=samples[p.sample].lot)
        for p in now.table.plates.values()
    ]  # fmt: skip
    seats = []
    for s in seats_now(now):
        seat = s.seat.seat
        gone = {*seat.leaving.left_out, *now.blocked[seat.number]} & set(samples)
        lifted = [f"{samples[n].name}: {why}" for n, why in seat.leaving.lifted.items() if n in samples]
        if not seat.dropped:
            seats.append(
                PlatingSeat(number=seat.number, name=seat.name, blocked=bool(now.blocked[seat.number]), codes=s.codes,
                            left_out=[samples[n].name for n in sorted(gone)], lifted=lifted)
            )  # fmt: skip
    return PlatingOut(name=now.record.name, plates=plates, seats=seats)


@routes.get("/tastings/<int:tasting_id>/paper")
@route(None)
def paper(tasting_id: int) -> Response:
    """Return the paper sheets, a page a seat (PDF): what is left out is not on them."""
    here = kitchen()
    with store().reading() as session:
        now = table_now(session, tasting_id, here)
    return file_answer(paper_sheets(now), PDF_TYPE, f"{stem_of(now.record.name, 'tasting')}-sheets.pdf")


@routes.get("/tastings/<int:tasting_id>/export")
@route(None)
def export(tasting_id: int) -> Response:
    """Return the answers as a tidy table (CSV); which sample is which only once the table was unblinded."""
    here = kitchen()
    with store().reading() as session:
        now = table_now(session, tasting_id, here)
    return file_answer(tidy_table(now), "text/csv", f"{stem_of(now.record.name, 'tasting')}.csv")
