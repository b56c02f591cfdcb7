"""Trials beside one another: two of them, the last of a formula, its family, and what to bake next."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, answer_value, body, kitchen, store, today, whole
from fallow_sieve.api.spec import route
from fallow_sieve.api.trials.family_models import (
    DifferenceQuery,
    FamilyOut,
    FoundIn,
    MultiplesOut,
    MultiplesQuery,
    NextOut,
    NextQuery,
    TaughtOut,
)
from fallow_sieve.formats.trials import DifferenceTold
from fallow_sieve.reference import rules
from fallow_sieve.services.trials.bands import bands_offered
from fallow_sieve.services.trials.comparing import multiples, side_by_side
from fallow_sieve.services.trials.family import family_of
from fallow_sieve.services.trials.next_change.next_bakes import next_bakes
from fallow_sieve.services.trials.taught import bags_changed, key_of, teaching
from fallow_sieve.store import FORMULAS
from fallow_sieve.store.trials import FAMILY_MARK, say_found

routes = Blueprint("families", __name__)
_ID = (0, 1, 2**53)


@routes.get("/trials/difference")
@route(DifferenceTold, query=DifferenceQuery)
def difference() -> Response:
    """Return what changed from trial a to trial b, and what it did."""
    here = kitchen()
    with store().reading() as session:
        return answer(side_by_side(session, whole("a", *_ID), whole("b", *_ID), here))


@routes.get("/trials/multiples")
@route(MultiplesOut, query=MultiplesQuery)
def last_trials() -> Response:
    """Return the last trials of a formula: a row a measure, a place a trial."""
    formula_id, here = whole("formula", *_ID), kitchen()
    with store().reading() as session:
        name = FORMULAS.get(session, formula_id).name
        return answer_value(MultiplesOut, multiples(session, formula_id, whole("last", 8, 2, 12), here, name))


@routes.get("/formulas/<int:formula_id>/family")
@route(FamilyOut)
def family(formula_id: int) -> Response:
    """Return the family of a formula: strata, bakes, planes; worked out anew only when something of it changed."""
    data = store().answered(("family", formula_id), FAMILY_MARK, formula_id, lambda: _family(formula_id))
    return Response(data, mimetype="application/json")


def _family(formula_id: int) -> bytes:
    here = kitchen()
    with store().reading() as session:
        return answer_value(FamilyOut, family_of(session, formula_id, here)).get_data()


@routes.get("/formulas/<int:formula_id>/taught")
@route(TaughtOut)
def taught(formula_id: int) -> Response:
    """Return what trials taught for the next bake of a formula beside water, and bands that they speak for."""
    here = kitchen()
    with store().reading() as session:
        use = rules().uses.get(FORMULAS.draft(session, formula_id).content.use or "")
        lessons = teaching(session, here).lessons(use.family if use else "", key_of(formula_id))
        bags = bags_changed(session, formula_id, here)
        bands = bands_offered(session, use.slug if use else "", here)
    return answer(TaughtOut(lessons=[x for x in lessons.values() if x.n], bands=bands, bags=bags))


@routes.put("/trials/<int:trial_id>/found")
@route(None, status=204, json=FoundIn)
def found(trial_id: int) -> Response:
    """Say by hand what was found at the step to this trial; what was worked out is kept beside it."""
    given = body(FoundIn)
    with store().writing() as session:
        say_found(session, trial_id, given.found.strip())
    return Response(status=204)


@routes.get("/next")
@route(NextOut, query=NextQuery)
def what_next() -> Response:
    """Return what to bake next of a formula, at most three, and what is owed."""
    formula_id, here = whole("formula", *_ID), kitchen()
    with store().reading() as session:
        return answer_value(NextOut, next_bakes(session, formula_id, here, today()))
