"""Work on a formula as it stands on the bench: judged, scaled, swapped, bound, wetted, finished. Nothing is stored."""

from __future__ import annotations

from dataclasses import replace

from flask import Blueprint, Response
from pydantic import TypeAdapter

from fallow_sieve.api.findings import readability_g
from fallow_sieve.api.formula_models import (
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
    LineOut,
    NamedLabel,
    OnContentIn,
    PanOut,
    PinOut,
    ScaledOut,
    ScalingIn,
    SwapIn,
    SwapOut,
    SwapsOut,
    WaterPlanOut,
    WaterTemperatureIn,
)
from fallow_sieve.api.formula_values import content_of, judged, kitchen_now, line_out, lines_out
from fallow_sieve.api.http import answer, answer_core, body, store
from fallow_sieve.api.spec import route
from fallow_sieve.api.summaries import part_out
from fallow_sieve.core.blends.fit import rule_of_use
from fallow_sieve.core.formulas.analysis import WorkedFormula, analyse_formula
from fallow_sieve.core.formulas.binder_choice import SCHOOLS, Converted, Dilution, convert_binder, dilute
from fallow_sieve.core.formulas.dough_temperature import FRICTION_K, WaterPlan, masses_of, water_temperature
from fallow_sieve.core.formulas.finished_bake import Finished, finish
from fallow_sieve.core.formulas.formula import Formula, Stage
from fallow_sieve.core.formulas.judgement import FormulaJudgement, judge_formula
from fallow_sieve.core.formulas.new_line import begin_line
from fallow_sieve.core.formulas.newer_blend import changes_on
from fallow_sieve.core.formulas.pouring import poured_water_g
from fallow_sieve.core.formulas.scaling import Scaled, by_flour, by_pieces, by_total, round_to_step, whole_eggs
from fallow_sieve.core.formulas.swaps.candidates import swaps_for
from fallow_sieve.core.formulas.swaps.effects import Effects, effects
from fallow_sieve.core.formulas.swaps.swap import Swap
from fallow_sieve.core.formulas.tins import Filling, FillRule, Tin, filling
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.reference.formulas import formula_rules, swap_rules, tin_fills
from fallow_sieve.reference.kitchen import eggs
from fallow_sieve.reference.recipes import egg_of
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.blends import parts_in, revisions_of

routes = Blueprint("formula_work", __name__)
_judgement = TypeAdapter(FormulaJudgement)
_finished = TypeAdapter(Finished)
_water = TypeAdapter(WaterPlan)
_converted = TypeAdapter(Converted)
_dilution = TypeAdapter(Dilution)


@routes.get("/formula-reference")
@route(FormulaReferenceOut)
def formula_reference() -> Response:
    """Return what the formula pages need to know once."""
    table = formula_rules()
    with store().reading() as session:
        scale_shows_g = readability_g(session)
    return answer(
        FormulaReferenceOut(
            stages=[str(s) for s in Stage],
            schools=[NamedLabel(name=n, label=label) for n, label in SCHOOLS.items()],
            pans=[PanOut(material=p.material, time_factor=p.time_factor, note=p.note) for p in table.pans],
            eggs=[EggOut(region=e.region, size=e.size, edible_g=e.edible_g) for e in eggs()],
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
    return answer_core(_judgement, judged(content_of(body(OnContentIn).content)))


@routes.post("/formula-lines")
@route(LineOut, json=AddLineIn)
def begin() -> Response:
    """Return the line with which an ingredient begins when it is added to a formula."""
    given = body(AddLineIn)
    content = content_of(given.content)
    shelf, _ = kitchen_now(content)
    item = shelf.rows[shelf.row(given.ingredient, "/ingredient")]
    so_far = judged(content) if content.formula.lines else None
    return answer(line_out(begin_line(item, content.formula.use, so_far, formula_rules())))


@routes.post("/formula-pins")
@route(PinOut, json=OnContentIn)
def pinned() -> Response:
    """Return whether the pinned blend has a newer revision, and what would change with it."""
    content = content_of(body(OnContentIn).content)
    pin = content.pinned
    if pin is None or pin.blend_id is None:
        return answer(PinOut(newer=None, parts=[], say="", changes=[]))
    with store().reading() as session:
        newest = next(iter(reversed(revisions_of(session, pin.blend_id))), None)
    if newest is None or (pin.revision is not None and newest.number <= pin.revision):
        return answer(PinOut(newer=None, parts=[], say="", changes=[]))
    shelf, kitchen = kitchen_now(content)
    parts = parts_in(newest.parts)
    changes = changes_on(content.formula, parts, shelf, formula_rules(), kitchen)
    say = f"{pin.name} is at revision {newest.number} now ({newest.why.rstrip('.')})."
    return answer(PinOut(newer=newest.number, parts=[part_out(p) for p in parts], say=say, changes=list(changes)))


@routes.post("/formula-scalings")
@route(ScaledOut, json=ScalingIn)
def scale() -> Response:
    """Return a formula scaled to flour, dough, pieces or tins, and rounded to the scale's step."""
    given = body(ScalingIn)
    content = content_of(given.content)
    shelf, kitchen = kitchen_now(content)
    analysis = analyse_formula(content.formula, shelf)
    scaled, filled = _scaled(given, content.formula, analysis)
    egg_g = given.egg_g or egg_of("US" if kitchen.cup == "us" else "EU").edible_g
    return answer(
        ScaledOut(
            lines=lines_out(scaled.lines),
            factor=scaled.factor,
            dough_g=scaled.dough_g,
            say=scaled.say,
            rounded=round_to_step(scaled.lines, given.step_g),
            eggs=whole_eggs(scaled.lines, egg_g, shelf),
            tin=filled,
        )
    )


def _scaled(given: ScalingIn, formula: Formula, analysis: WorkedFormula) -> tuple[Scaled, Filling | None]:
    ways = [given.flour_g, given.dough_g, given.pieces, given.tin]
    if sum(w is not None for w in ways) != 1:
        raise BadInputError("give one way to scale", right="flour_g, dough_g, pieces with piece_g, or tin")
    lines, loss = formula.lines, given.mixing_loss_pct
    if given.flour_g is not None:
        return by_flour(analysis, lines, given.flour_g), None
    if given.dough_g is not None:
        return by_total(analysis, lines, given.dough_g), None
    if given.tin is not None:
        rule = tin_fills().get(formula.use or "", FillRule(0.55, 1.6))
        filled = filling(Tin(**given.tin.model_dump()), given.tins, rule, given.fill)
        return by_pieces(analysis, lines, given.tins, filled.each_g, mixing_loss_pct=loss), filled
    if given.piece_g is None or given.pieces is None:
        raise BadInputError("the mass of a piece is missing", place="/piece_g", right="give it in g")
    done = formula_rules().doneness.get(formula.use or "")
    lost = done.bake_loss_pct if given.baked and done else None
    return by_pieces(analysis, lines, given.pieces, given.piece_g, mixing_loss_pct=loss, bake_loss_pct=lost), None


@routes.post("/formula-swaps")
@route(SwapsOut, json=SwapIn)
def swaps() -> Response:
    """Return what could stand in for a line, the one that loses least first, with its effects."""
    given = body(SwapIn)
    content = content_of(given.content)
    shelf, kitchen = kitchen_now(content)
    formula, by = content.formula, formula_rules()
    found = swaps_for(formula, given.at, shelf, swap_rules(formula.use))
    before = judge_formula(formula, shelf, by, kitchen)
    items = []
    for s in found:
        after = replace(formula, lines=s.lines)
        done = effects(formula, before, after, judge_formula(after, shelf, by, kitchen), shelf)
        items.append(_swap(s, done))
    name = before.analysis.lines[given.at].name
    return answer(SwapsOut(items=items, say="" if items else f"There is no swap for {name.lower()} in the tables."))


def _swap(s: Swap, effects: Effects) -> SwapOut:
    return SwapOut(
        kind=s.kind,
        to=s.to,
        name=s.name,
        say=s.say,
        lost=s.lost,
        losses=list(s.losses),
        lines=lines_out(s.lines),
        water_change_g=s.water_change_g,
        short_g=s.short_g,
        effects=effects,
    )


@routes.post("/binder-conversions")
@route(ConvertedOut, json=ConvertBinderIn)
def convert() -> Response:
    """Return a binder's mass as another binder's at the same load."""
    given = body(ConvertBinderIn)
    use = rule_of_use(rules().uses, given.use)
    doses = rules().doses.get(use.slug, {})
    return answer_core(_converted, convert_binder(given.mass_g, given.from_binder, given.to_binder, doses))


@routes.post("/dilutions")
@route(DilutionOut, json=DiluteIn)
def dilution() -> Response:
    """Return how to weigh a dose that the scale cannot see."""
    given = body(DiluteIn)
    return answer_core(_dilution, dilute(given.dose_g, given.readability_g))


@routes.post("/water-temperatures")
@route(WaterPlanOut, json=WaterTemperatureIn)
def warm() -> Response:
    """Return how warm the water must be for a dough at the wanted temperature."""
    given = body(WaterTemperatureIn)
    content = content_of(given.content)
    shelf, _ = kitchen_now(content)
    friction = FRICTION_K[given.mixing] if given.friction_k is None else given.friction_k
    others = masses_of(content.formula, shelf, given.room_c, given.cold_c)
    water_g = poured_water_g(content.formula.lines)
    plan = water_temperature(others, water_g, given.dough_c, friction, given.tap_c, given.yeast)
    return answer_core(_water, plan)


@routes.post("/finished-bakes")
@route(FinishedOut, json=FinishIn)
def finished() -> Response:
    """Return the finished bake: nutrition per 100 g and a piece after bake loss, and its cost."""
    given = body(FinishIn)
    content = content_of(given.content)
    shelf, _ = kitchen_now(content)
    done = formula_rules().doneness.get(content.formula.use or "")
    loss = given.loss_pct if given.loss_pct is not None else done.bake_loss_pct if done else None
    analysis = analyse_formula(content.formula, shelf)
    return answer_core(_finished, finish(content.formula, analysis, shelf, loss, given.bought_per_kg))
