"""A product of a schedule file as the core plans it: steps by use and school, and what its formula says of it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from fallow_sieve.core.baking import pan_named, plan_bake
from fallow_sieve.core.formulas import FormulaJudgement, When
from fallow_sieve.core.schedule.clock import Clock, instant_of
from fallow_sieve.core.schedule.learning import FinishedRise, pace_of
from fallow_sieve.core.schedule.planner.problem import OvenPhase
from fallow_sieve.core.schedule.ripening.organism import Organism, amount_factor, water_factor
from fallow_sieve.core.schedule.ripening.rise import rim_ripeness
from fallow_sieve.core.schedule.steps.product import Done, Product
from fallow_sieve.core.schedule.steps.rules import Kind, StepRule, chosen, refreshed
from fallow_sieve.core.values import BadInputError, UnknownNameError
from fallow_sieve.formats.formulas import document_of
from fallow_sieve.formats.schedule import DoneIn, ProductIn
from fallow_sieve.reference import formula_rules, organism_named, refreshes, starters, template_named, tin_fills
from fallow_sieve.services.formulas.working import judged_formula
from fallow_sieve.services.kitchen import KitchenNow

USUAL_DOUGH_G = 900.0
_TIN_USES = frozenset({"fill"})


@dataclass(frozen=True, slots=True)
class Amounts:
    """What a formula says of its dough: yeast, leaven, salt, sugar and water (% of flour), and its optional steps."""

    yeast_pct: float = 0.0
    leaven_pct: float = 0.0
    salt_pct: float = 2.0
    sugar_pct: float = 0.0
    water_pct: float = 75.0
    switches: Mapping[str, bool] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Moment:
    """When it is asked: the clock, and the minute that it is now."""

    clock: Clock
    now: float


def product_of(
    given: ProductIn, moment: Moment, kitchen: KitchenNow, rises: Sequence[FinishedRise], place: str
) -> Product:
    """Return a product of a file, its times as minutes of the clock; `rises` is what taught its pace.

    Raises BadInputError naming `place`.
    """
    clock = moment.clock
    judged = _judged(given, kitchen)
    use = given.use or (given.formula.use if given.formula else None)
    if use is None:
        raise BadInputError("no use is named", place=f"{place}/use", right="say what is to be baked, as tin-loaf")
    every = template_named(use, given.school, place)
    amounts = amounts_of(judged) if judged else Amounts()
    rules = _rules(every, given, amounts, place)
    pieces = given.pieces or (given.formula.pieces if given.formula else 1)
    dough_g = given.dough_g or (judged.analysis.dough_g if judged else USUAL_DOUGH_G)
    yeast = organism_named("yeast")
    return Product(
        name=given.id,
        use=use,
        rules=rules,
        dough_g=dough_g,
        pieces=pieces,
        ready=_minute(given.ready_at, clock, f"{place}/ready_at"),
        organism=yeast,
        leaven=organism_named("leaven"),
        starter=starters()["liquid leaven"],
        phases=_phases(use, given, judged),
        cool_min=_cooling(use),
        dough_c=given.dough_c,
        speed=_speed(rules, amounts, given, yeast, place),
        rim=_rims(use, rules),
        rest_days=given.rest_days,
        leaven_pace=given.leaven_pace,
        may_wait_min=given.early_min,
        pins=_minutes(given.pins, clock, f"{place}/pins"),
        announced=_minutes(given.announced, clock, f"{place}/announced"),
        ovens=given.ovens,
        done={s: _done(d, clock, f"{place}/done/{s}") for s, d in given.done.items()},
        now=moment.now,
        pace=pace_of(rises, use, key_of(given)).factor,
    )


def key_of(given: ProductIn) -> str:
    """Return by what a product's formula is known to what is learnt: its number here, or its name."""
    return f"formula {given.formula_id}" if given.formula_id else (given.formula.name if given.formula else given.id)


def _minutes(said: Mapping[str, str], clock: Clock, place: str) -> dict[str, float]:
    return {s: clock.minute(instant_of(t, clock.zone, f"{place}/{s}")) for s, t in said.items()}


def _done(given: DoneIn, clock: Clock, place: str) -> Done:
    began, ended = clock.minute(instant_of(given.began, clock.zone, f"{place}/began")), None
    if given.ended is not None:
        ended = clock.minute(instant_of(given.ended, clock.zone, f"{place}/ended"))
        if ended < began:
            raise BadInputError(
                "a step that ended before it began", place=f"{place}/ended", right="set one of them right"
            )
    return Done(began, ended)


def _judged(given: ProductIn, kitchen: KitchenNow) -> FormulaJudgement | None:
    if given.formula is None:
        return None
    document = document_of(given.formula)
    return judged_formula(document.formula, kitchen.with_ingredients(document.ingredients))


def _minute(text: str | None, clock: Clock, place: str) -> float | None:
    return None if text is None else clock.minute(instant_of(text, clock.zone, place))


def _rules(every: tuple[StepRule, ...], given: ProductIn, amounts: Amounts, place: str) -> tuple[StepRule, ...]:
    names = {r.step for r in every}
    for kind in ("switches", "pins", "ovens", "done", "readings"):
        unknown = next((s for s in getattr(given, kind) if s not in names and not s.startswith("refresh-")), None)
        if unknown is not None:
            raise UnknownNameError("step", unknown, sorted(names), place=f"{place}/{kind}/{unknown}")
    return refreshed(chosen(every, {**amounts.switches, **given.switches}), refreshes(given.rest_days))


def amounts_of(judged: FormulaJudgement) -> Amounts:
    """Return what a judged formula says of its dough (% of flour), and which optional steps its lines ask for."""
    lifts = {x.kind: x.value_pct for x in judged.lifts}
    loads = {x.kind: x.flour_pct for x in judged.loads}
    moments = {x.when for x in judged.analysis.lines}
    gel = bool(moments & {When.GEL, When.SOAK})
    return Amounts(
        lifts.get("yeast", 0.0),
        lifts.get("leaven", 0.0),
        loads.get("salt", 0.0),
        loads.get("sugar", 0.0),
        judged.analysis.hydration_pct or 75.0,
        {"gel": gel, "soak": When.SOAK in moments},
    )


def _speed(rules: Sequence[StepRule], amounts: Amounts, given: ProductIn, yeast: Organism, place: str) -> float:
    """How fast the dough is beside the template's. Raises BadInputError where nothing rises that should."""
    if given.formula is None:
        return amount_factor(given.yeast_ratio or 1.0, yeast)
    speed = speed_of(rules, amounts, yeast, given.yeast_ratio)
    if speed is None:
        wrong = f"{given.id} is to rise, and has no yeast or leaven, or so much salt or sugar that nothing rises"
        raise BadInputError(wrong, place=f"{place}/formula", right="look at its yeast, salt, sugar and water")
    return speed


def speed_of(rules: Sequence[StepRule], amounts: Amounts, yeast: Organism, ratio: float | None = None) -> float | None:
    """Return how fast a dough is beside the template's: yeast and leaven together, salt, sugar and water.

    None where it is to rise and nothing in it does; `ratio` takes the place of its own yeast.
    """
    rise = next((r for r in reversed(rules) if r.kind is Kind.FERMENT and r.step != "preferment"), None)
    if rise is None or rise.ref_pct is None:
        return 1.0
    total = _share(rise, amounts) if ratio is None else ratio
    by_water = water_factor(amounts.salt_pct, amounts.sugar_pct, amounts.water_pct, yeast)
    return amount_factor(total, yeast) * by_water if total > 0 and by_water > 0 else None


def _share(rise: StepRule, amounts: Amounts) -> float:
    """Yeast and leaven as shares of their references, added."""
    own = {"instant yeast": amounts.yeast_pct, "leaven": amounts.leaven_pct}.get(rise.ref_of, 0.0)
    other = amounts.yeast_pct / _YEAST_REF_PCT if rise.ref_of == "leaven" else amounts.leaven_pct / _LEAVEN_REF_PCT
    return own / (rise.ref_pct or 1.0) + other


_YEAST_REF_PCT, _LEAVEN_REF_PCT = 1.6, 35.0  # references of the templates, where both are in one dough


def _phases(use: str, given: ProductIn, judged: FormulaJudgement | None) -> tuple[OvenPhase, ...]:
    if judged is not None and judged.bake.phases:
        return tuple(OvenPhase(p.minutes_typical, p.oven.exact_c) for p in judged.bake.phases)
    rules = formula_rules()
    plan = plan_bake(rules.phases.get(use, ()), rules.doneness.get(use), pan_named(None, rules.pans), rules.marks)
    return tuple(OvenPhase(p.minutes_typical, p.oven.exact_c) for p in plan.phases)


def _cooling(use: str) -> float | None:
    done = formula_rules().doneness.get(use)
    return done.cool_minutes if done else None


def _rims(use: str, rules: tuple[StepRule, ...]) -> dict[str, float]:
    """The ripeness at which a dough in its tin stands over the rim, by the step it rises in."""
    rule = tin_fills().get(use)
    if rule is None or not any(r.step in _TIN_USES for r in rules):
        return {}
    filled = next(n for n, r in enumerate(rules) if r.step in _TIN_USES)
    found = {}
    for r in rules[filled:]:
        if r.kind is Kind.FERMENT and r.target_rise_pct is not None:
            rim = rim_ripeness(rule.fill, r.target_rise_pct)
            if rim is not None:
                found[r.step] = rim
    return found
