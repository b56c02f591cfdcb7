"""Bags and bins of a batch: filled, placed, opened, and what leaves them."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.batches.handling import BatchBagIn, FillIn, LeaveIn, MoveOut
from fallow_sieve.api.batches.models import BatchOut
from fallow_sieve.api.batches.routes import told
from fallow_sieve.api.http import answer, body, kitchen, now_text, store
from fallow_sieve.api.spec import route
from fallow_sieve.core.stock.moves import MoveKind
from fallow_sieve.formats.shared import day_of
from fallow_sieve.services.batches.bags.bagging import Filled, Leaving, fill, leave, set_bag
from fallow_sieve.services.stock.taking_back import take_back

routes = Blueprint("bags_of_batches", __name__)


@routes.post("/batches/<int:batch_id>/bags")
@route(BatchOut, status=201, json=FillIn)
def fill_bags(batch_id: int) -> Response:
    """Fill bags or bins from a blended batch."""
    given, here = body(FillIn), kitchen()
    with store().writing() as session:
        fill(session, batch_id, Filled(**given.model_dump()), now_text())
        return told(session, batch_id, here, 201)


@routes.post("/moves/<int:move_id>/back")
@route(MoveOut)
def back(move_id: int) -> Response:
    """Take back a move of today, by one that goes the other way."""
    with store().writing() as session:
        made = take_back(session, move_id, now_text())
    return answer(MoveOut(kind=str(made.kind), mass_g=made.mass_g))


@routes.put("/bags/<int:bag_id>")
@route(BatchOut, json=BatchBagIn)
def place(bag_id: int) -> Response:
    """Set where a bag stands, and since when it is open."""
    given, here = body(BatchBagIn), kitchen()
    with store().writing() as session:
        bag = set_bag(session, bag_id, given.place, day_of(given.opened_on, "/opened_on"), now_text())
        return told(session, bag.batch_id, here)


@routes.post("/bags/<int:bag_id>/moves")
@route(BatchOut, status=201, json=LeaveIn)
def move(bag_id: int) -> Response:
    """Take from a bag, or count it."""
    given, here = body(LeaveIn), kitchen()
    with store().writing() as session:
        bag = leave(session, bag_id, Leaving(**{**given.model_dump(), "kind": MoveKind(given.kind)}), now_text())
        return told(session, bag.batch_id, here, 201)
