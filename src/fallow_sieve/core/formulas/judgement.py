"""The judgement of a formula: what the bench, the command line and the card show, in one value.

Each gauge is a band with a mark on it, as on a blend's sieves: water, binder, what lifts it, salt and sugar.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.baking import (
    BakePlan,
    mention_c,
    oven_clashes,
    oven_mentions,
    pan_named,
    plan_bake,
)
from fallow_sieve.core.blends import (
    BinderLoad,
    Caution,
    GlutenEstimate,
    Use,
    cautions_for,
    estimate_gluten,
    load_of_binders,
    union_of,
)
from fallow_sieve.core.formulas.aimed_water import predicted
from fallow_sieve.core.formulas.analysis import COUNTED, FormulaAnalysis, WorkedFormula, analyse_formula
from fallow_sieve.core.formulas.binder_choice import Suggestion, disperse, suggest
from fallow_sieve.core.formulas.formula import BLEND, WATER, Formula, When, check_consistency
from fallow_sieve.core.formulas.gauges import (
    SAUCE,
    Gauge,
    Lift,
    Load,
    Thickening,
    Worked,
    by_school,
    for_thirst,
    gauges_of,
    lifts,
    loads_on_yeast,
    odd,
    odd_shares,
    said,
    said_more,
    sauce_warnings,
    soda_of,
    stays_pale,
    thickening_of,
    unjudged,
)
from fallow_sieve.core.formulas.pouring import PouredWater, PourStep, hold_back, other_water_g, poured_water
from fallow_sieve.core.formulas.rules import FormulaRules, FormulaSetting
from fallow_sieve.core.formulas.water import Prediction
from fallow_sieve.core.formulas.water_learning import Corrected, Learnt, correct, learn
from fallow_sieve.core.ingredients import WORDS, Function, Kind, Role, Shelf
from fallow_sieve.core.values import worst_first

LEAST_OVEN_C = 130.0  # what is cooler in a method is a core or a dough


@dataclass(frozen=True, slots=True)
class FormulaJudgement:
    """All that is known about a formula; `say` is its state in one sentence.

    `in_words` are lines that were not understood: their allergens, gluten and water are unknown.
    """

    analysis: FormulaAnalysis
    consistency: str | None
    consistencies: tuple[str, ...]
    prediction: Prediction
    learnt: tuple[Learnt, ...]
    wanted: Corrected | None
    poured: PouredWater
    pour: tuple[PourStep, ...]
    gauges: tuple[Gauge, ...]
    binder: BinderLoad
    suggestion: Suggestion | None
    disperse: tuple[str, ...]
    lifts: tuple[Lift, ...]
    loads: tuple[Load, ...]
    bake: BakePlan
    warnings: tuple[str, ...]
    allergens: tuple[str, ...]
    gluten: GlutenEstimate
    cautions: tuple[Caution, ...]
    say: str
    say_more: str
    in_words: tuple[str, ...] = ()
    thickening: Thickening | None = None


def judge_formula(
    formula: Formula, shelf: Shelf, rules: FormulaRules, setting: FormulaSetting | None = None
) -> FormulaJudgement:
    """Return the judgement of `formula`: masses in g, percentages on its flour base. Raises BadInputError.

    Without a use there is no water, binder or leavening to judge by; what it is stands all the same.
    """
    where = setting or FormulaSetting()
    analysis = analyse_formula(formula, shelf, COUNTED)
    use = rules.uses.get(formula.use) if formula.use else None
    sauce = _thickening(formula, analysis, rules, where)
    consistency, prediction = predicted(formula, analysis, rules, use.slug if use else "")
    learnt = learn(where.pours, formula.pin.key if formula.pin else "", use.family if use else "")
    bake = bake_for(formula, analysis, rules)
    found = _worked(formula, analysis, rules, (use, sauce, consistency, prediction, correct(prediction, learnt)), bake)
    return _judgement(found, rules, where, sauce.consistency if sauce else consistency, learnt, bake)


def _worked(
    formula: Formula,
    analysis: WorkedFormula,
    rules: FormulaRules,
    water: tuple[Use | None, Thickening | None, str | None, Prediction, Corrected | None],
    bake: BakePlan,
) -> Worked:
    use, sauce, consistency, prediction, wanted = water
    slug = use.slug if use else ""
    soda = soda_of(analysis, rules.acids)
    hottest_c, minutes = _hottest(formula, bake, rules)
    return Worked(
        formula=formula,
        analysis=analysis,
        use=use,
        sauce=sauce,
        prediction=prediction,
        wanted=wanted,
        hydration=rules.hydration.get(slug, {}).get(consistency or ""),
        binder=load_of_binders(analysis.dough.parts, rules.doses.get(slug)),
        soda=soda,
        lifts=lifts(analysis, rules.leavening.get(slug), soda),
        loads=loads_on_yeast(analysis),
        usual=tuple(for_thirst(u, prediction.thirst_g_per_g) for u in rules.usual.get(slug, ())),
        hottest_c=hottest_c,
        minutes=minutes,
    )


def _judgement(
    w: Worked,
    rules: FormulaRules,
    where: FormulaSetting,
    consistency: str | None,
    learnt: tuple[Learnt, ...],
    bake: BakePlan,
) -> FormulaJudgement:
    """All that is known, from what was worked out."""
    own, mixed, slug = w.analysis.shelf, w.analysis.mix.parts, w.use.slug if w.use else ""
    gauges = worst_first(gauges_of(w))
    in_words = tuple(x.name for x in w.analysis.lines if x.ingredient == WORDS)
    gluten = _with_words(estimate_gluten([p for p in mixed if p.ingredient != WATER], own), in_words)
    warnings = _warnings(w, rules)
    return FormulaJudgement(
        analysis=w.analysis,
        consistency=consistency,
        consistencies=tuple(rules.sauces if slug == SAUCE else rules.hydration.get(slug, {})),
        prediction=w.prediction,
        learnt=learnt,
        wanted=w.wanted,
        poured=poured_water(w.analysis),
        pour=_pour(w.analysis, w.wanted),
        gauges=gauges,
        binder=w.binder,
        suggestion=_suggested(w, rules, w.formula.school or where.school),
        disperse=_dispersed(w.formula, own),
        lifts=w.lifts,
        loads=w.loads,
        bake=bake,
        warnings=warnings,
        allergens=union_of(own[p.ingredient].allergens for p in mixed),
        gluten=gluten,
        cautions=cautions_for(mixed, own, gluten),
        say=said(gauges, w.use) + unjudged(in_words) + odd(warnings),
        say_more=said_more(w.analysis, in_words, w.sauce is not None),
        in_words=in_words,
        thickening=w.sauce,
    )


def _suggested(w: Worked, rules: FormulaRules, school: str) -> Suggestion | None:
    if w.use is None:
        return None
    return suggest(school, w.use, w.binder, w.analysis.flour_g, rules.doses.get(w.use.slug, {}))


def _thickening(
    formula: Formula, analysis: WorkedFormula, rules: FormulaRules, where: FormulaSetting
) -> Thickening | None:
    """How thick a sauce is, as the kitchen's school counts its starches; None for what is no sauce."""
    if formula.use != SAUCE:
        return None
    if formula.consistency is not None:
        check_consistency(formula.consistency, tuple(rules.sauces))
    thickeners = by_school(rules.thickeners, where.thickener_school)
    return thickening_of(analysis, thickeners, rules.sauces, rules.acids, formula.consistency, formula.method)


def _with_words(gluten: GlutenEstimate, in_words: Sequence[str]) -> GlutenEstimate:
    """The gluten estimate where a line is in words: unknown, unless a part contains it already."""
    if not in_words or WORDS in gluten.unknown_parts:
        return gluten
    status = gluten.status if gluten.status == "contains" else "unknown"
    return replace(gluten, status=status, unknown_parts=(*gluten.unknown_parts, WORDS))


def _hottest(formula: Formula, bake: BakePlan, rules: FormulaRules) -> tuple[float | None, float]:
    """The hottest oven (°C) that the method names, or else of the use's bake; and the minutes of the bake."""
    rows = enumerate(formula.method.splitlines(), start=1)
    temps = [mention_c(m, rules.marks) for n, row in rows for m in oven_mentions(row, n)]
    named = [c for c in temps if c is not None and c >= LEAST_OVEN_C]
    planned = [float(p.oven.conventional_c) for p in bake.phases]
    return max(named or planned, default=None), sum(p.minutes_typical for p in bake.phases)


def bake_for(formula: Formula, analysis: FormulaAnalysis, rules: FormulaRules) -> BakePlan:
    """Return the bake (°C, min) of `formula` in its pan; rich or lean by its fat and sugar in % of flour."""
    use = formula.use or ""
    rich = (
        sum(100 * (analysis.totals_g[n].typical or 0.0) / analysis.flour_g for n in ("fat_g", "sugars_g"))
        if analysis.flour_g
        else 0.0
    )
    return plan_bake(
        rules.phases.get(use, ()), rules.doneness.get(use), pan_named(formula.pan, rules.pans), rules.marks, rich
    )


def _dispersed(formula: Formula, shelf: Shelf) -> tuple[str, ...]:
    """How to get the binders in, by where each stands: soaked, dry, or in the bag already."""
    loose = [x for x in formula.lines if x.ingredient != BLEND and shelf[x.ingredient].role is Role.BINDER]
    plain = [x for x in loose if shelf[x.ingredient].function(Kind.BINDER) is not Function.GELATIN]
    used = any(x.ingredient == BLEND for x in formula.lines)
    bag = [shelf[p.ingredient].name for p in formula.blend if shelf[p.ingredient].role is Role.BINDER] if used else []
    soaked = [shelf[x.ingredient].name for x in plain if x.when in (When.GEL, When.SOAK)]
    dry = [shelf[x.ingredient].name for x in plain if x.when not in (When.GEL, When.SOAK)]
    return disperse(soaked, dry, bag, gelatin=len(plain) < len(loose))


def _pour(analysis: FormulaAnalysis, wanted: Corrected | None) -> tuple[PourStep, ...]:
    if wanted is None or analysis.flour_g <= 0:
        return ()
    return hold_back(wanted.low_pct, wanted.high_pct, analysis.flour_g, other_water_g(analysis))


def _warnings(w: Worked, rules: FormulaRules) -> tuple[str, ...]:
    """What is odd: shares ten times the usual, temperatures of the method that contradict, what slows yeast."""
    rows = w.formula.method.splitlines()
    ovens = [m for n, row in enumerate(rows, start=1) for m in oven_mentions(row, n)]
    clashes = [f"Method, line {c.line}: {c.say}" for c in oven_clashes(ovens, rules.marks)]
    slows = [x.slows for x in w.loads if x.slows]
    pale = stays_pale(w.analysis, w.hottest_c) if w.sauce is None else ""
    found = (*odd_shares(w.analysis, rules.usual_shares), *clashes, *slows, *_doubts(w.analysis))
    return (*found, *filter(None, [pale]), *sauce_warnings(w.sauce))


def _doubts(analysis: FormulaAnalysis) -> tuple[str, ...]:
    return tuple(f"The water in {name.lower()} is not known, so it is not counted." for name in analysis.doubts)
