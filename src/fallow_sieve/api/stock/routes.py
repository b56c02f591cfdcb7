"""Stock: traced both ways, counted, bought."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, answer_value, body, file_answer, kitchen, now_text, store, today
from fallow_sieve.api.spec import route
from fallow_sieve.api.stock.models import CountedOut, CountIn, MovesOut, ToBuyOut, ToCountOut, TraceOut
from fallow_sieve.core.stock.counting import CAUSES
from fallow_sieve.services.stock.buying import to_buy
from fallow_sieve.services.stock.counting import count, to_count
from fallow_sieve.services.stock.events import events_of
from fallow_sieve.services.stock.tables_out import as_csv, buying_table
from fallow_sieve.services.stock.trace import trace_batch, trace_lot
from fallow_sieve.store import settings_of
from fallow_sieve.store.ingredients import get_lot
from fallow_sieve.store.stock import moves_seen

routes = Blueprint("stock", __name__)


@routes.get("/trace/lots/<int:lot_id>")
@route(TraceOut)
def lot(lot_id: int) -> Response:
    """Return where a lot went: batches, bags, places."""
    here = kitchen()
    with store().reading() as session:
        return answer_value(TraceOut, trace_lot(session, lot_id, here.shelf))


@routes.get("/trace/batches/<int:batch_id>")
@route(TraceOut)
def batch(batch_id: int) -> Response:
    """Return from which lots a batch came, and where it went."""
    here = kitchen()
    with store().reading() as session:
        return answer_value(TraceOut, trace_batch(session, batch_id, here.shelf))


@routes.get("/lots/<int:lot_id>/moves")
@route(MovesOut)
def moves(lot_id: int) -> Response:
    """Return every move of a lot: the stock is their sum."""
    with store().reading() as session:
        get_lot(session, lot_id)
        return answer(MovesOut(items=moves_seen(session, lot_id)))


@routes.get("/stock/count")
@route(ToCountOut)
def listed() -> Response:
    """Return what is to be counted; the book figures stay hidden."""
    with store().reading() as session:
        return answer(ToCountOut(items=to_count(session), causes=list(CAUSES)))


@routes.post("/stock/count")
@route(CountedOut, json=CountIn)
def count_it() -> Response:
    """Count a lot or a bag; a large difference wants a cause, and without one nothing is kept."""
    given = body(CountIn)
    with store().writing() as session:
        found = count(session, given.kind, given.id, given.mass_g, given.cause, now_text())
    return answer_value(CountedOut, found)


@routes.get("/stock/buy")
@route(ToBuyOut)
def buy() -> Response:
    """Return what is to be bought, by supplier."""
    with store().reading() as session:
        return answer(ToBuyOut(items=to_buy(session, today()), currency=settings_of(session).currency))


@routes.get("/stock/buy.csv")
@route(None)
def buy_csv() -> Response:
    """Return what is to be bought as CSV, by supplier."""
    with store().reading() as session:
        text = as_csv(buying_table(to_buy(session, today())))
    return file_answer(text, "text/csv", f"to-buy-{today().isoformat()}.csv")


@routes.get("/stock/events")
@route(None)
def events() -> Response:
    """Return what happened to lots, batches and bags, one JSON object a line, with the field names of EPCIS 2.0."""
    with store().reading() as session:
        return file_answer(events_of(session), "application/x-ndjson", "events.jsonl")
