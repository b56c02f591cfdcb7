"""The steps of a plan as they are told: when, where, with what in hand, and how the dough is by then."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.formulas import FRICTION_K, FormulaJudgement, WaterPlan
from fallow_sieve.core.schedule.clock import Clock
from fallow_sieve.core.schedule.learning import warmth_of
from fallow_sieve.core.schedule.planner.checking import visit_spans
from fallow_sieve.core.schedule.planner.problem import OvenPhase, Timed
from fallow_sieve.core.schedule.ripening.path import Path
from fallow_sieve.core.schedule.steps.dough import MIXES, RISES, Stay, run_of, way
from fallow_sieve.core.schedule.steps.places import BENCH, place_of
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.rules import Kind, StepRule
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.formulas import document_of
from fallow_sieve.formats.schedule import PhaseOut, ProductIn, StepOut
from fallow_sieve.services.formulas.working import Warming, judged_formula, water_plan
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.schedule.doing import Worked, grams_at, leaven_of, notes_at, worked
from fallow_sieve.services.schedule.plans import Planned
from fallow_sieve.services.schedule.products import key_of

CURVE_POINTS = 13
LOOK_AHEAD_MIN = 36 * 60.0


@dataclass(frozen=True, slots=True)
class Told:
    """A product with what its steps need and how warm its water must be (None: no formula, or no water in it)."""

    product: Product
    given: ProductIn
    found: Worked
    water: WaterPlan | None
    judged: FormulaJudgement | None


def told(plan: Planned, given: ProductIn, kitchen: KitchenNow) -> Told:
    """Return a product of a plan with grams, leaven and water. Raises BadInputError."""
    product = next(p for p in plan.request.products if p.name == given.id)
    climate = plan.request.kitchen.climate
    judged, water = None, None
    if given.formula is not None:
        document = document_of(given.formula)
        here = kitchen.with_ingredients(document.ingredients)
        judged = judged_formula(document.formula, here)
        mixing = "machine" if plan.request.crew.mixers else "hand"
        yeast = "dry" if any(r.step == "wake-yeast" for r in product.rules) else "instant"
        warmer = warmth_of(plan.taught.doughs, product.use, key_of(given)).offset_k
        friction = FRICTION_K[mixing] + warmer
        how = Warming(given.dough_c, climate.room_c, climate.fridge_c, mixing, friction, 12.0, yeast)
        try:
            water = water_plan(document.formula, how, here)
        except BadInputError:  # no water line to warm or cool
            water = None
    times = product.dough_g / judged.analysis.dough_g if judged and judged.analysis.dough_g else 1.0
    return Told(product, given, worked(product, judged, climate.room_c, leaven_of(judged, times)), water, judged)


def steps_of(plan: Planned, told: Told) -> list[StepOut]:
    """Return the steps of one product in its order."""
    return [_step(plan, told, rule) for rule in told.product.rules]


def text_of(clock: Clock, minute: float) -> str:
    """Return the instant of a minute in ISO 8601, UTC."""
    return clock.instant(minute).strftime("%Y-%m-%dT%H:%M:%SZ")


def _step(planned: Planned, told: Told, rule: StepRule) -> StepOut:
    plan, clock, product = planned.plan, planned.clock, told.product
    own = plan.laid.parts[product.name][rule.step]
    tasks = [(plan.laid.problem.tasks[n], plan.tasks[n]) for n in own]
    timed = plan.step(product.name, rule.step)
    stay = plan.stays.get(product.name, {}).get(rule.step)
    rises = stay if rule.kind in RISES else None
    announced = product.announced.get(rule.step)
    return StepOut(
        product=product.name,
        step=rule.step,
        after=list(rule.after),
        do=rule.do,
        kind=str(rule.kind),
        at=text_of(clock, timed.begin),
        end=text_of(clock, timed.end),
        place=place_of(rule, planned.request.kitchen.climate),
        oven=timed.oven,
        temp_c=_temp(planned, rule, timed, tasks[0][0].phases[0].oven_c if tasks[0][0].phases else None),
        hands=[[text_of(clock, a), text_of(clock, b)] for task, t in tasks for a, b in visit_spans(task, t)],
        ripeness=round(rises.end.ripeness, 3) if rises else None,
        dough_c=round(rises.end.temp_c, 1) if rises else None,
        state=_state(product, rule),
        announced=None if announced is None else text_of(clock, announced),
        pinned=rule.step in product.pins,
        grams=grams_at(product, rule, told.found, _water_c(told), _units(planned, product, timed)),
        notes=_notes(told, rule),
        **(_gates(planned, product, rule, timed, stay) if rises and rule.kind is Kind.FERMENT and stay else {}),
        curve=_curve(rises),
        flags=list(product.flags.get(rule.step, ())),
        phases=_phases(clock, timed, tasks[0][0].phases) if rule.kind is Kind.BAKE else [],
    )


def _phases(clock: Clock, timed: Timed, phases: Sequence[OvenPhase]) -> list[PhaseOut]:
    """The phases of a bake one after another, to its end."""
    found, begin = [], timed.begin
    for n, p in enumerate(phases):
        end = timed.end if n == len(phases) - 1 else min(timed.end, begin + p.minutes)
        if end > begin and p.oven_c > 0:
            found.append(PhaseOut(at=text_of(clock, begin), end=text_of(clock, end), oven_c=p.oven_c))
        begin = end
    return found


def _water_c(told: Told) -> float | None:
    return told.water.water_c if told.water else None


def _units(planned: Planned, product: Product, timed: Timed) -> float:
    """The hours at 26 °C that a step on the bench comes to."""
    room = planned.request.kitchen.climate.temp_at(BENCH, None, (timed.begin + timed.end) / 2)
    return float(product.organism.speed(room)) * (timed.end - timed.begin) / 60


def _state(product: Product, rule: StepRule) -> str:
    done = product.done.get(rule.step)
    return "planned" if done is None else "running" if done.end is None else "done"


def _temp(planned: Planned, rule: StepRule, timed: Timed, oven_c: float | None) -> float | None:
    if oven_c:
        return oven_c
    climate = planned.request.kitchen.climate
    place = place_of(rule, climate)
    if rule.temp_c is not None or place in ("oven", "hob", "machine"):
        return rule.temp_c
    return round(climate.temp_at(place, None, timed.begin), 1)


def _notes(told: Told, rule: StepRule) -> list[str]:
    notes = notes_at(told.product, rule, told.found)
    if rule.step in MIXES and told.water is not None:
        ice = f", {told.water.ice_g:.0f} g of it ice" if told.water.ice_g > 0.5 else ""
        notes.insert(0, f"Water at {told.water.water_c:.0f} °C{ice}, for a dough of {told.given.dough_c:.0f} °C.")
        notes += list(told.water.warnings)
    return notes


def _curve(stay: Stay | None) -> list[float]:
    """The ripeness at equal steps of time."""
    if stay is None or stay.path is None:
        return []
    at = np.linspace(0.0, float(stay.path.hours[-1]), CURVE_POINTS)
    return [round(float(x), 3) for x in np.interp(at, stay.path.hours, stay.path.ripeness)]


def _gates(planned: Planned, product: Product, rule: StepRule, timed: Timed, stay: Stay) -> dict[str, object]:
    """When a rise may end, when it is ripe 19 times in 20, and when it climbs over the rim, left where it is."""
    before = frozenset(r.step for r in product.rules[: product.rules.index(rule)])
    path = way(product, planned.request.kitchen, rule, before, stay.begin, timed.begin, LOOK_AHEAD_MIN)
    organism, clock = product.ferments_with(rule), planned.clock
    gate = [_at(path, x, timed.begin) for x in (organism.window_low, organism.window_high)]
    if any(r.kind is Kind.CHILL for r in run_of(product.rules, rule)[1:]) and rule.kind is not Kind.CHILL:
        return {}  # it ends early on purpose: the cold does the rest
    pace = planned.paces[product.name]
    learnt = (pace.low_factor / pace.factor, pace.high_factor / pace.factor)
    likely = [_at(path, x, timed.begin) for x in product.reaches.get(rule.step, learnt)]
    rim = product.rim.get(rule.step)
    over = None if rim is None else _at(path, rim, timed.begin)
    found: dict[str, object] = {}
    if gate[0] is not None and gate[1] is not None:
        found["gate"] = [text_of(clock, gate[0]), text_of(clock, gate[1])]
    if likely[0] is not None and likely[1] is not None:
        found["likely"] = [text_of(clock, likely[0]), text_of(clock, likely[1])]
    if over is not None:
        found["rim_at"] = text_of(clock, over)
    return found


def _at(path: Path, ripeness: float, begin: float) -> float | None:
    hours = path.reaches(ripeness)
    return None if hours is None else begin + 60 * hours
