"""Bins over HTTP: named, cleaned, weighed with what is in them."""

from __future__ import annotations

from flask import Blueprint, Response
from sqlmodel import Session

from fallow_sieve.api.http import answer, body, if_match, now_text, store
from fallow_sieve.api.spec import route
from fallow_sieve.api.stock.models import BinGrossIn, BinIn, BinList
from fallow_sieve.services.batches.bags.bagging import weigh_bin
from fallow_sieve.services.batches.bags.bins import bins_seen, clean
from fallow_sieve.store.batches import Bin, add_bin, save_bin

routes = Blueprint("bins", __name__)


def _all(session: Session, status: int = 200) -> Response:
    return answer(BinList(items=bins_seen(session)), status)


@routes.get("/bins")
@route(BinList)
def bins() -> Response:
    """Return the bins, each with what it holds and held."""
    with store().reading() as session:
        return _all(session)


@routes.post("/bins")
@route(BinList, status=201, json=BinIn)
def add() -> Response:
    """Add a bin; until it is said to be clean it holds an unknown mix."""
    given, now = body(BinIn), now_text()
    with store().writing() as session:
        values = given.model_dump(exclude={"clean", "archived"})
        add_bin(session, Bin(**values, cleaned_at=now if given.clean else ""))
        return _all(session, 201)


@routes.put("/bins/<int:bin_id>")
@route(BinList, json=BinIn, stale=True)
def save(bin_id: int) -> Response:
    """Set a bin's name, place, capacity and tare, or put it away. With If-Match."""
    given, version = body(BinIn), if_match()
    with store().writing() as session:
        save_bin(session, bin_id, version, **given.model_dump(exclude={"clean"}))
        return _all(session)


@routes.post("/bins/<int:bin_id>/cleaned")
@route(BinList)
def cleaned(bin_id: int) -> Response:
    """Note that a bin was emptied and cleaned."""
    now = now_text()
    with store().writing() as session:
        clean(session, bin_id, now)
        return _all(session)


@routes.post("/bins/<int:bin_id>/weighed")
@route(BinList, json=BinGrossIn)
def weighed(bin_id: int) -> Response:
    """Count what is left in a bin by weighing it with what is in it."""
    given, now = body(BinGrossIn), now_text()
    with store().writing() as session:
        weigh_bin(session, bin_id, given.gross_g, now)
        return _all(session)
