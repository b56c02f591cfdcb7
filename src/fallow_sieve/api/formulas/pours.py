"""The water that was poured into bakes of a formula, and what the kitchen learns from it."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.formulas.work_models import BakeIn, PoursOut, WithdrawIn
from fallow_sieve.api.http import answer, body, kitchen, now_text, store, today
from fallow_sieve.api.spec import route
from fallow_sieve.services.formulas.learning import PourGiven, as_record, lesson
from fallow_sieve.services.formulas.working import check_settings
from fallow_sieve.store import FORMULAS, add_pour, pours_of_formula, withdraw_pour

routes = Blueprint("pours", __name__)


@routes.get("/formulas/<int:formula_id>/bakes")
@route(PoursOut)
def pours(formula_id: int) -> Response:
    """Return the pours of a formula, and how the wanted water narrowed with each."""
    return answer(_pours(formula_id))


@routes.post("/formulas/<int:formula_id>/bakes")
@route(PoursOut, status=201, json=BakeIn)
def record(formula_id: int) -> Response:
    """Record the water that was really poured into a bake of the formula as given."""
    given = body(BakeIn)
    formula = given.content.formula
    check_settings(formula)
    poured = PourGiven(given.poured_g, given.baked_on, given.note)
    made = as_record(formula_id, formula, poured, kitchen(), today(), now_text())
    with store().writing() as session:
        FORMULAS.get(session, formula_id)
        add_pour(session, made)
    return answer(_pours(formula_id), 201)


@routes.put("/formulas/<int:formula_id>/bakes/<int:bake_id>")
@route(PoursOut, json=WithdrawIn)
def withdraw(formula_id: int, bake_id: int) -> Response:
    """Set a pour aside, so that nothing is learnt from it, or take it back into account."""
    given = body(WithdrawIn)
    with store().writing() as session:
        withdraw_pour(session, formula_id, bake_id, given.withdrawn)
    return answer(_pours(formula_id))


def _pours(formula_id: int) -> PoursOut:
    with store().reading() as session:
        own = pours_of_formula(session, formula_id)
        formula = FORMULAS.draft(session, formula_id).content
    found = lesson(formula, own, kitchen())
    return PoursOut(items=own, steps=list(found.steps), learnt=list(found.learnt))
