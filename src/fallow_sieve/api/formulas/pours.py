"""The water that was poured into bakes of a formula, and what the kitchen learns from it."""

from __future__ import annotations

from flask import Blueprint, Response
from sqlmodel import Session

from fallow_sieve.api.formulas.work_models import BakeIn, PoursOut, WithdrawIn
from fallow_sieve.api.http import answer, body, kitchen, now_text, store
from fallow_sieve.api.spec import route
from fallow_sieve.services.formulas.learning import lesson
from fallow_sieve.services.formulas.working import check_settings
from fallow_sieve.services.trials.beginning import PourGiven, add_pour
from fallow_sieve.store import FORMULAS, NotFoundError
from fallow_sieve.store.trials import PourOnRecord, get_trial, pour_of, readings_of, save_trial, trials_of_formula

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
    here = kitchen()
    with store().writing() as session:
        add_pour(session, formula_id, formula, poured, here, now_text())
    return answer(_pours(formula_id), 201)


@routes.put("/formulas/<int:formula_id>/bakes/<int:bake_id>")
@route(PoursOut, json=WithdrawIn)
def withdraw(formula_id: int, bake_id: int) -> Response:
    """Set a pour aside, so that nothing is learnt from it, or take it back into account."""
    given = body(WithdrawIn)
    with store().writing() as session:
        trial = get_trial(session, bake_id)
        if trial.formula_id != formula_id:
            raise NotFoundError("bake", bake_id)
        save_trial(session, bake_id, {"set_aside": given.withdrawn}, trial.version, now_text())
    return answer(_pours(formula_id))


def _pours(formula_id: int) -> PoursOut:
    with store().reading() as session:
        own = _of_formula(session, formula_id)
        formula = FORMULAS.draft(session, formula_id).content
    found = lesson(formula, own, kitchen())
    return PoursOut(items=own, steps=list(found.steps), learnt=list(found.learnt))


def _of_formula(session: Session, formula_id: int) -> list[PourOnRecord]:
    """What was poured into the trials of a formula, the first bake first, those set aside too."""
    trials = trials_of_formula(session, formula_id)
    readings = readings_of(session, [t.id for t in trials])
    return [found for t in trials if (found := pour_of(t, readings[t.id])) is not None]
