"""Lots in the bins: what was bought, what is left, its price, date and gluten value."""

from __future__ import annotations

from datetime import date
from typing import Any

from flask import Blueprint, Response
from sqlmodel import Session

from fallow_sieve.api.finding_models import LotFullOut, LotIn, LotsOut, PricePointOut
from fallow_sieve.api.http import answer, body, if_match, store, today
from fallow_sieve.api.spec import route
from fallow_sieve.core.ingredients.lots import Lot, LotStanding, check_lot, price_history, standings, stock_sentence
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.store.ingredients import get_ingredient
from fallow_sieve.store.lots import add_lot, get_lot, lot_of, lots_of, save_lot
from fallow_sieve.store.numbers import in_force, layers_of
from fallow_sieve.store.tables import LotRow

routes = Blueprint("lots", __name__)
_DATES = ("bought_on", "best_before", "gluten_on")


@routes.get("/ingredients/<slug>/lots")
@route(LotsOut)
def lots(slug: str) -> Response:
    """Return the lots of an ingredient, the first to draw from first."""
    with store().reading() as session:
        get_ingredient(session, slug)
        return answer(_lots(session, slug))


@routes.post("/ingredients/<slug>/lots")
@route(LotsOut, status=201, json=LotIn)
def add(slug: str) -> Response:
    """Add a lot."""
    lot = _lot(body(LotIn))
    with store().writing() as session:
        add_lot(session, slug, lot)
        found = _lots(session, slug)
    return answer(found, 201)


@routes.put("/lots/<int:lot_id>")
@route(LotsOut, json=LotIn, stale=True)
def save(lot_id: int) -> Response:
    """Save a lot: its stock, its price, or whether it is put away."""
    given, version = body(LotIn), if_match()
    lot = _lot(given)
    with store().writing() as session:
        row = save_lot(session, lot_id, lot, given.archived, version)
        found = _lots(session, row.ingredient)
    return answer(found, version=row.version)


@routes.get("/lots/<int:lot_id>")
@route(LotFullOut)
def lot(lot_id: int) -> Response:
    """Return one lot."""
    with store().reading() as session:
        row = get_lot(session, lot_id)
        found = _full(session, row, standings([lot_of(row)], today())[0])
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


def _lots(session: Session, slug: str) -> LotsOut:
    rows = lots_of(session, slug)
    found = [lot_of(r) for r in rows]
    kept = [lot for lot, row in zip(found, rows, strict=True) if not row.archived]
    standing = iter(standings(kept, today()))
    away = LotStanding(None, None, "put away")
    return LotsOut(
        say=stock_sentence(kept, today()),
        items=[_full(session, r, away if r.archived else next(standing)) for r in rows],
        prices=[PricePointOut(day=d.isoformat(), price_per_kg=p) for d, p in price_history(found)],
    )


def _full(session: Session, row: LotRow, standing: LotStanding) -> LotFullOut:
    own = in_force(layers_of(session, row.ingredient, row.id))
    values = {n: getattr(row, n) for n in LotFullOut.model_fields if n not in ("standing", "own_numbers")}
    return LotFullOut(**values, standing=standing, own_numbers=sorted(own))
