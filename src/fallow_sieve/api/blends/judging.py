"""The judgement of what is on the bench, live: nothing is stored here."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.blends.models import (
    ComposeIn,
    DifferenceIn,
    DifferenceOut,
    ExplainIn,
    ExplanationOut,
    GoodForIn,
    GoodForOut,
    JudgeIn,
    JudgementOut,
    NutritionOut,
    PartsOut,
    PracticeOut,
)
from fallow_sieve.api.http import answer, answer_value, body, kitchen
from fallow_sieve.api.models import as_parts
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends import Blend
from fallow_sieve.services.blends.all_uses import good_for_what
from fallow_sieve.services.blends.judging import Composing, changed, composed, explained, judged_blend, nutrition
from fallow_sieve.services.blends.practice import mixes_on_record

routes = Blueprint("judging", __name__)


@routes.post("/analyse")
@route(JudgementOut, json=JudgeIn)
def analyse() -> Response:
    """Return the judgement of parts for a use and within a brief's limits."""
    given = body(JudgeIn)
    blend = Blend(as_parts(given.parts), use=given.use)
    return answer_value(JudgementOut, judged_blend(blend, kitchen(given.brief_id)))


@routes.post("/explain")
@route(ExplanationOut, json=ExplainIn)
def explain() -> Response:
    """Return how a metric was worked out: terms, contribution of each ingredient, source of its numbers."""
    given = body(ExplainIn)
    return answer_value(ExplanationOut, explained(Blend(as_parts(given.parts), use=given.use), given.metric, kitchen()))


@routes.post("/good-for")
@route(GoodForOut, json=GoodForIn)
def for_all_uses() -> Response:
    """Return how parts stand for every use, the best first."""
    return answer_value(GoodForOut, good_for_what(Blend(as_parts(body(GoodForIn).parts)), kitchen()))


@routes.get("/practice/<use>")
@route(PracticeOut)
def practice(use: str) -> Response:
    """Return the mixes that people bake for a use: the record that its bands come from."""
    return answer(PracticeOut(mixes=list(mixes_on_record(use))))


@routes.post("/compose")
@route(PartsOut, json=ComposeIn)
def compose() -> Response:
    """Return the parts after a change that keeps mass where it must: a share set, a batch scaled, a part added."""
    given = body(ComposeIn)
    asked = Composing(given.action, given.ingredient, given.value, given.use)
    return answer(PartsOut(parts=list(composed(as_parts(given.parts), asked, kitchen().shelf))))


@routes.post("/differences")
@route(DifferenceOut, json=DifferenceIn)
def differences() -> Response:
    """Return what changed from one blend to another."""
    given = body(DifferenceIn)
    found = changed(as_parts(given.before), as_parts(given.after), kitchen())
    return answer_value(DifferenceOut, found)


@routes.post("/nutrition")
@route(NutritionOut, json=JudgeIn)
def nutrition_of() -> Response:
    """Return the mix per 100 g, per quarter cup and per the kitchen's own serving, with known shares."""
    given = body(JudgeIn)
    return answer(NutritionOut(columns=list(nutrition(as_parts(given.parts), kitchen()))))
