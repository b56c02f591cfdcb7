"""The judgement of what is on the bench, live: nothing is stored here."""

from __future__ import annotations

from typing import TypeVar

from flask import Blueprint, Response
from pydantic import TypeAdapter

from fallow_sieve.api.http import answer, answer_core, as_parts, body, store, today
from fallow_sieve.api.requests import ComposeIn, DifferenceIn, ExplainIn, JudgeIn
from fallow_sieve.api.responses import (
    DifferenceOut,
    ExplanationOut,
    JudgementOut,
    NutritionColumn,
    NutritionOut,
    PartsOut,
)
from fallow_sieve.api.spec import route
from fallow_sieve.api.summaries import judge_parts, part_out
from fallow_sieve.core.blends.analysis import analyse
from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.composing import add_part, scale_to, set_flour_share
from fallow_sieve.core.blends.differences import Difference, difference
from fallow_sieve.core.blends.explanation import Explanation, explain
from fallow_sieve.core.blends.fit import rule_of_use
from fallow_sieve.core.blends.judgement import Judgement
from fallow_sieve.core.blends.on_basis import of_mix
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.quantities import CupStandard, parse_basis
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.kitchens import kitchen_of

routes = Blueprint("judging", __name__)
NeededT = TypeVar("NeededT")
_judgement = TypeAdapter(Judgement)
_explanation = TypeAdapter(Explanation)
_difference = TypeAdapter(Difference)


@routes.post("/analyse")
@route(JudgementOut, json=JudgeIn)
def analyse_parts() -> Response:
    """Return the judgement of parts for a use and within a brief's limits."""
    given = body(JudgeIn)
    if given.use is not None:
        rule_of_use(rules().uses, given.use)
    return answer_core(_judgement, judge_parts(as_parts(given.parts), given.use, given.brief_id))


@routes.post("/explain")
@route(ExplanationOut, json=ExplainIn)
def explain_metric() -> Response:
    """Return how a metric was worked out: terms, contribution of each ingredient, source of its numbers."""
    given = body(ExplainIn)
    with store().reading() as session:
        shelf, cup = store().shelf(session, today()), CupStandard(kitchen_of(session).cup)
    return answer_core(_explanation, explain(Blend(as_parts(given.parts)), shelf, given.metric, cup))


@routes.post("/compose")
@route(PartsOut, json=ComposeIn)
def compose() -> Response:
    """Return the parts after a change that keeps mass where it must: a share set, a batch scaled, a part added."""
    given = body(ComposeIn)
    parts = as_parts(given.parts)
    with store().reading() as session:
        shelf = store().shelf(session, today())
    if given.action == "scale-to":
        return _parts(scale_to(parts, _needed(given.value, "value"), shelf))
    ingredient = _needed(given.ingredient, "ingredient")
    if given.action == "add":
        return _parts(add_part(parts, ingredient, shelf, rules().doses.get(given.use or "")))
    return _parts(set_flour_share(parts, ingredient, _needed(given.value, "value"), shelf))


def _needed(value: NeededT | None, name: str) -> NeededT:
    if value is None:
        raise BadInputError(f"the {name} is missing", place=f"/{name}", right="this change needs it")
    return value


@routes.post("/differences")
@route(DifferenceOut, json=DifferenceIn)
def differences() -> Response:
    """Return what changed from one blend to another."""
    given = body(DifferenceIn)
    with store().reading() as session:
        shelf, cup = store().shelf(session, today()), CupStandard(kitchen_of(session).cup)
    before, after = (analyse(Blend(as_parts(p)), shelf, cup) for p in (given.before, given.after))
    return answer_core(_difference, difference(before, after))


@routes.post("/nutrition")
@route(NutritionOut, json=JudgeIn)
def nutrition() -> Response:
    """Return the mix per 100 g, per quarter cup and per the kitchen's own serving, with known shares."""
    given = body(JudgeIn)
    with store().reading() as session:
        shelf, settings = store().shelf(session, today()), kitchen_of(session)
        cup, serving = CupStandard(settings.cup), settings.serving_g
    analysis = analyse(Blend(as_parts(given.parts)), shelf, cup)
    known = {n: e.known_mass_pct for n, e in analysis.nutrients.items()}
    bases = (("100 g", "100g"), ("¼ cup", "quarter-cup"), ("serving", f"{serving:.6f}g"))
    columns = [
        NutritionColumn(label=label, values=of_mix(analysis, parse_basis(basis, cup)), known_mass_pct=known)
        for label, basis in bases
    ]
    return answer(NutritionOut(columns=columns))


def _parts(parts: tuple[Part, ...]) -> Response:
    return answer(PartsOut(parts=[part_out(p) for p in parts]))
