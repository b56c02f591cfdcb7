"""Work on a formula as it stands on the bench: judged, scaled, swapped, bound, wetted, finished. Nothing is stored."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.formula_content import FormulaContentIn
from fallow_sieve.api.formulas.work_models import (
    AddLineIn,
    ConvertBinderIn,
    ConvertedOut,
    DiluteIn,
    DilutionOut,
    EggOut,
    FinishedOut,
    FinishIn,
    FormulaJudgementOut,
    FormulaReferenceOut,
    LineMovesOut,
    LineOut,
    OnContentIn,
    PanOut,
    PinOut,
    ScaledOut,
    ScalingIn,
    SmallDosesIn,
    SmallDosesOut,
    SwapIn,
    SwapsOut,
    WaterPlanOut,
    WaterTemperatureIn,
)
from fallow_sieve.api.http import answer, answer_value, body, kitchen, store
from fallow_sieve.api.models import NamedOut
from fallow_sieve.api.spec import route
from fallow_sieve.core.formulas import (
    SCHOOLS,
    WATER,
    Formula,
    Line,
    Tin,
    When,
    analyse_formula,
    convert_binder,
    dilute,
    small_doses,
)
from fallow_sieve.reference import eggs, formula_rules, rules, tin_fills
from fallow_sieve.services.formulas import working as work
from fallow_sieve.services.formulas.scaling import Scaling, scaled
from fallow_sieve.services.ingredients.own_numbers import readability_g
from fallow_sieve.services.kitchen import use_named

routes = Blueprint("formula_work", __name__)


def _formula(content: FormulaContentIn) -> Formula:
    """The formula on the bench. Raises BadInputError for an unknown use or pan."""
    formula = content.formula
    work.check_settings(formula)
    return formula


@routes.get("/formula-reference")
@route(FormulaReferenceOut)
def formula_reference() -> Response:
    """Return what the formula pages need to know once."""
    table = formula_rules()
    with store().reading() as session:
        scale_shows_g = readability_g(session)
    return answer(
        FormulaReferenceOut(
            moments=[str(w) for w in When],
            water_line=Line(WATER, 0.0, When.WET),
            schools=[NamedOut(name=n, label=label) for n, label in SCHOOLS.items()],
            pans=[PanOut.model_validate(p) for p in table.pans],
            eggs=[EggOut.model_validate(e) for e in eggs()],
            fills={use: r.fill for use, r in tin_fills().items()},
            consistencies={use: list(c) for use, c in table.hydration.items()},
            scale_shows_g=scale_shows_g,
            binders=list(table.holds),
        )
    )


@routes.post("/formula-judgements")
@route(FormulaJudgementOut, json=OnContentIn)
def judge() -> Response:
    """Return the judgement of a formula as it stands."""
    return answer_value(FormulaJudgementOut, work.judged_formula(_formula(body(OnContentIn).content), kitchen()))


@routes.post("/formula-moves")
@route(LineMovesOut, json=OnContentIn)
def moves() -> Response:
    """Return what a little more of each line would do to each gauge."""
    return answer(LineMovesOut(items=list(work.moves(_formula(body(OnContentIn).content), kitchen()))))


@routes.post("/formula-lines")
@route(LineOut, json=AddLineIn)
def begin() -> Response:
    """Return the line with which an ingredient begins when it is added to a formula."""
    given = body(AddLineIn)
    return answer_value(LineOut, work.begun_line(_formula(given.content), given.ingredient, kitchen()))


@routes.post("/formula-pins")
@route(PinOut, json=OnContentIn)
def pinned() -> Response:
    """Return whether the pinned blend has a newer revision, and what would change with it."""
    formula = _formula(body(OnContentIn).content)
    with store().reading() as session:
        newest = work.newest_of_pinned(session, formula)
    return answer_value(PinOut, work.newer_blend(formula, newest, kitchen()))


@routes.post("/formula-scalings")
@route(ScaledOut, json=ScalingIn)
def scale() -> Response:
    """Return a formula scaled to flour, dough, pieces or tins, and rounded to the scale's step."""
    given = body(ScalingIn)
    values = given.model_dump(exclude={"content", "tin"})
    how = Scaling(**values, tin=Tin(**given.tin.model_dump()) if given.tin else None)
    return answer_value(ScaledOut, scaled(_formula(given.content), how, kitchen()))


@routes.post("/formula-swaps")
@route(SwapsOut, json=SwapIn)
def swaps() -> Response:
    """Return what could stand in for a line, the one that loses least first, with its effects."""
    given = body(SwapIn)
    return answer_value(SwapsOut, work.swaps(_formula(given.content), given.at, kitchen()))


@routes.post("/binder-conversions")
@route(ConvertedOut, json=ConvertBinderIn)
def convert() -> Response:
    """Return a binder's mass as another binder's at the same load."""
    given = body(ConvertBinderIn)
    use_named(given.use)
    doses = rules().doses.get(given.use, {})
    return answer_value(ConvertedOut, convert_binder(given.mass_g, given.from_binder, given.to_binder, doses))


@routes.post("/dilutions")
@route(DilutionOut, json=DiluteIn)
def dilution() -> Response:
    """Return how to weigh a dose that the scale cannot see."""
    given = body(DiluteIn)
    return answer_value(DilutionOut, dilute(given.dose_g, given.readability_g))


@routes.post("/small-doses")
@route(SmallDosesOut, json=SmallDosesIn)
def small() -> Response:
    """Return which lines of a formula the scale cannot weigh as they are, and how to dilute each."""
    given = body(SmallDosesIn)
    found = small_doses(analyse_formula(_formula(given.content), kitchen().shelf), given.readability_g)
    return answer(SmallDosesOut(items=list(found)))


@routes.post("/water-temperatures")
@route(WaterPlanOut, json=WaterTemperatureIn)
def warm() -> Response:
    """Return how warm the water must be for a dough at the wanted temperature."""
    given = body(WaterTemperatureIn)
    how = work.Warming(**given.model_dump(exclude={"content"}))
    return answer_value(WaterPlanOut, work.water_plan(_formula(given.content), how, kitchen()))


@routes.post("/finished-bakes")
@route(FinishedOut, json=FinishIn)
def finished() -> Response:
    """Return the finished bake: nutrition per 100 g and a piece after bake loss, and its cost."""
    given = body(FinishIn)
    found = work.finished(_formula(given.content), kitchen(), given.loss_pct, given.bought_per_kg)
    return answer_value(FinishedOut, found)
