"""Lots in the bins: what was bought, what is left, its price, date and gluten value."""

from __future__ import annotations

from datetime import date
from typing import Any

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, body, if_match, now_text, store, today
from fallow_sieve.api.ingredients.lot_models import LotFullOut, LotIn, LotsOut, PriceIn, PriceOut, lot_out, lots_out
from fallow_sieve.api.spec import route
from fallow_sieve.core.ingredients import Lot, check_lot, standings
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.ingredients.prices import set_price
from fallow_sieve.services.ingredients.shelf import bins_of, lot_in_bin
from fallow_sieve.store.ingredients import add_lot, get_ingredient, get_lot, save_lot

routes = Blueprint("lots", __name__)
_DATES = ("bought_on", "best_before", "gluten_on", "opened_on", "milled_on")


@routes.get("/ingredients/<slug>/lots")
@route(LotsOut)
def lots(slug: str) -> Response:
    """Return the lots of an ingredient, the first to draw from first."""
    with store().reading() as session:
        get_ingredient(session, slug)
        return answer(lots_out(bins_of(session, slug, today())))


@routes.post("/ingredients/<slug>/lots")
@route(LotsOut, status=201, json=LotIn)
def add(slug: str) -> Response:
    """Add a lot."""
    lot = _lot(body(LotIn))
    with store().writing() as session:
        add_lot(session, slug, lot, now_text())
        found = lots_out(bins_of(session, slug, today()))
    return answer(found, 201)


@routes.put("/ingredients/<slug>/price")
@route(PriceOut, json=PriceIn)
def price(slug: str) -> Response:
    """Note the price per kg of an ingredient, on the lot that is drawn from first, or by itself without one."""
    given = body(PriceIn)
    with store().writing() as session:
        say = set_price(session, slug, given.per_kg, today())
    return answer(PriceOut(say=say))


@routes.put("/lots/<int:lot_id>")
@route(LotsOut, json=LotIn, stale=True)
def save(lot_id: int) -> Response:
    """Save a lot: its stock, its price, or whether it is put away."""
    given, version = body(LotIn), if_match()
    lot = _lot(given)
    with store().writing() as session:
        record = save_lot(session, lot_id, lot, given.archived, version, now_text())
        found = lots_out(bins_of(session, record.ingredient, today()))
    return answer(found, version=record.version)


@routes.get("/lots/<int:lot_id>")
@route(LotFullOut)
def lot(lot_id: int) -> Response:
    """Return one lot."""
    with store().reading() as session:
        record = get_lot(session, lot_id)
        found = lot_out(lot_in_bin(session, record, standings([record.lot], today())[0]))
    return answer(found, version=found.version)


def _lot(given: LotIn) -> Lot:
    values: dict[str, Any] = given.model_dump(exclude={"archived"})
    lot = Lot(**values | {n: _date(values[n], n) for n in _DATES})
    check_lot(lot, today())
    return lot


def _date(text: str | None, name: str) -> date | None:
    if text is None:
        return None
    try:
        return date.fromisoformat(text)
    except ValueError as error:
        raise BadInputError(
            f"{text} is no day", place=f"/{name}", right="year-month-day, such as 2026-03-14"
        ) from error
