"""What a bake is planned to be: every quantity that formula, steps and use predict, each with where it is from."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.baking import BakePlan
from fallow_sieve.core.formulas import other_water_g
from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.schedule.ripening.waking import DRY_LIMIT_C, WAKES_TO_C
from fallow_sieve.core.schedule.steps.rules import Kind, StepRule
from fallow_sieve.core.trials.evidence.composition import Made
from fallow_sieve.core.trials.plan import Planned, TrialPlan
from fallow_sieve.core.values import Band

USUAL_DOUGH_C, WAKE_C, OUT_OF_TIN_MIN = 26.0, 38.0, 10.0
_MIXING = ("mix", "load", "cook-paste", "mix-dry")
_OF_STEP = {"chill_min": ("chill", "chill-cut", "chill-lined"), "boil_min": ("boil",), "rest_min": ("rest",)}


@dataclass(frozen=True, slots=True, eq=False)
class Process:
    """How a formula is made: its steps in order, how fast its dough is beside the template's, what ferments it.

    `pan_factor` is that of the pan's material on time; `volume` the band of mL/g for the use.
    """

    steps: Sequence[StepRule]
    speed: float
    organism: Organism
    pan_factor: float
    volume: Band | None = None
    altitude_m: float | None = None


def predicted_plan(made: Made, process: Process) -> TrialPlan:
    """Return the plan of a bake of `made`; what cannot be predicted is absent."""
    values = {
        **dict(_water(made)),
        **dict(_steps(process)),
        **dict(_rise(process)),
        **dict(_bake(made.judged.bake, process)),
        **dict(_dough(made, process)),
    }
    return TrialPlan(values)


Named = Iterator[tuple[str, Planned]]


def _water(made: Made) -> Named:
    judged, worked = made.judged, made.worked
    if worked.flour_g <= 0:
        return
    yield "flour_g", Planned(worked.flour_g, source="the formula")
    yield "other_water_g", Planned(other_water_g(worked), source="the formula")
    p = judged.prediction
    if p.typical_pct is not None:
        yield "predicted_pct", Planned(p.typical_pct, p.low_pct, p.high_pct, "thirst and binder")
    if judged.wanted is not None:
        w = judged.wanted
        yield "wanted_pct", Planned(w.typical_pct, w.low_pct, w.high_pct, w.say)
    if judged.poured.lines:
        yield "water_poured_g", Planned(judged.poured.poured_g, source="the formula")


def _dough(made: Made, process: Process) -> Named:
    rises = any(s.kind is Kind.FERMENT for s in process.steps)
    if rises:
        yield "dough_c", Planned(USUAL_DOUGH_C)
    if made.worked.dough_g > 0:
        yield "pieces", Planned(float(made.formula.pieces), source="the formula")
        yield "piece_g", Planned(made.worked.dough_g / made.formula.pieces, source="the formula")
        yield "mass_in_g", Planned(made.worked.dough_g, source="the formula")
    if process.volume is not None:
        middle = (process.volume.good_low + process.volume.good_high) / 2
        yield "specific_volume_ml_g", Planned(middle, process.volume.good_low, process.volume.good_high)
    if process.altitude_m is not None:
        yield "altitude_m", Planned(process.altitude_m, source="the kitchen")


def _steps(process: Process) -> Named:
    by_name = {s.step: s for s in process.steps}
    mixing = [by_name[n].typical_min for n in _MIXING if n in by_name]
    if mixing and mixing[0]:
        yield "mix_min", Planned(mixing[0])
    for name, steps in _OF_STEP.items():
        found = sum(by_name[s].typical_min or 0.0 for s in steps if s in by_name)
        if found > 0:
            yield name, Planned(found)
    if "wake-yeast" in by_name:
        yield "liquid_c", Planned(WAKE_C)
        yield "yeast_limit_c", Planned(WAKES_TO_C)
    elif any(s.kind is Kind.FERMENT and s.ref_of == "instant yeast" for s in process.steps):
        yield "yeast_limit_c", Planned(DRY_LIMIT_C)
    if "turn-out" in by_name:
        yield "in_tin_min", Planned(OUT_OF_TIN_MIN)


def last_rise(steps: Sequence[StepRule]) -> StepRule | None:
    """Return the rise after which it is baked; None where nothing rises."""
    return next((s for s in reversed(steps) if s.kind is Kind.FERMENT and s.step != "preferment"), None)


def _rise(process: Process) -> Named:
    rise = last_rise(process.steps)
    if rise is None or rise.ref_hours is None or process.speed <= 0:
        return
    hours, temp = rise.ref_hours / process.speed, rise.temp_c or USUAL_DOUGH_C
    source = "the use's rise, by this dough's yeast, salt, sugar and water"
    yield "proof_h26", Planned(hours, source=source)
    yield "proof_c", Planned(temp)
    yield "proof_min", Planned(60 * hours / float(process.organism.speed(temp)), source=source)
    if rise.target_rise_pct is not None:
        yield "rise_pct", Planned(rise.target_rise_pct)


def _bake(bake: BakePlan, process: Process) -> Named:
    minutes = sum(p.minutes_typical for p in bake.phases)
    if minutes > 0:
        mean_c = sum(p.oven.exact_c * p.minutes_typical for p in bake.phases) / minutes
        low, high = (sum(getattr(p, f"minutes_{end}") for p in bake.phases) for end in ("low", "high"))
        yield "oven_c", Planned(mean_c)
        yield "set_c", Planned(mean_c)
        yield "bake_min", Planned(minutes, low, high)
        yield "pan_factor", Planned(process.pan_factor, source="the pan")
    if bake.core_aim_c is not None:
        yield "core_target_c", Planned(bake.core_aim_c, bake.core_low_c, bake.core_high_c)
    for name, value in (("bake_loss_pct", bake.bake_loss_pct), ("cool_min", bake.cool_minutes)):
        if value is not None:
            yield name, Planned(value)


def in_pan(plan: TrialPlan, factor: float) -> TrialPlan:
    """Return the plan for an arm in a pan of another material, whose `factor` on time (1: bright metal) is given."""
    values: Mapping[str, Planned] = plan.values
    own, bake = plan.value("pan_factor") or 1.0, values.get("bake_min")
    changed = {"pan_factor": Planned(factor, source="the arm's pan")}
    if bake is not None:
        k = factor / own
        ends = [None if v is None else v * k for v in (bake.low, bake.high)]
        changed["bake_min"] = Planned(bake.value * k, ends[0], ends[1], "the arm's pan")
    return TrialPlan({**values, **changed})
