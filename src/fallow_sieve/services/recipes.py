"""A pasted recipe: read with a kitchen's own cups and names, checked, made over, and judged before and after."""

from __future__ import annotations

from collections.abc import Callable, Collection, Mapping
from dataclasses import dataclass, replace
from functools import cache

from fallow_sieve.core.blends import Blend, Use
from fallow_sieve.core.formulas import Corrected, Formula, FormulaJudgement, Gauge, Prediction, judge_formula
from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.core.recipes import (
    Conversion,
    ConversionRules,
    Habit,
    Pairing,
    ReadLine,
    ReadRecipe,
    RecipeCheck,
    as_formula,
    check_recipe,
    convert,
    habit_of,
    mix_inside,
    paired,
    read_mix,
    read_recipe,
    use_in_words,
    why_asked,
)
from fallow_sieve.core.values import CupStandard, SpoonStandard, Status
from fallow_sieve.reference import (
    flour_words,
    formula_rules,
    look_alikes,
    poor_candidates,
    thickening_power,
)
from fallow_sieve.services.blends.judging import judged_blend
from fallow_sieve.services.kitchen import KitchenNow, words_here


@dataclass(frozen=True, slots=True)
class Read:
    """A recipe as read, what is odd about it, the formula of what was understood (masses in g), and how it was read.

    `habit` is whose cups and eggs were taken (us, uk, au, ca, eu; empty: the kitchen's own), `say` that in words.
    """

    recipe: ReadRecipe
    checks: tuple[RecipeCheck, ...]
    formula: Formula
    habit: str
    say: str
    use: str | None
    mix: MixStands | None


@dataclass(frozen=True, slots=True)
class MixPart:
    """A part of a mix: its name and role, g, % of the mix and % of flour (None without flour)."""

    ingredient: str
    name: str
    role: str
    mass_g: float
    mix_pct: float
    flour_pct: float | None


@dataclass(frozen=True, slots=True)
class MixStands:
    """The mix that a recipe names itself: its parts, how it stands for the use that is guessed, the formula on it.

    `score` is its fit 0–100, None without a use; `say` its state in one sentence.
    """

    parts: tuple[MixPart, ...]
    score: float | None
    say: str
    formula: Formula


@dataclass(frozen=True, slots=True)
class MadeOver:
    """A conversion, the formula judged before (a wheat recipe for what it is) and after, and both line by line.

    `causes` names, for each gauge that holds the result, the change that did it.
    """

    conversion: Conversion
    before: FormulaJudgement
    after: FormulaJudgement
    pairs: tuple[Pairing, ...]
    causes: tuple[str, ...] = ()


def read_text(
    text: str, kitchen: KitchenNow, chosen: Mapping[int, str] | None = None, habit: str | None = None
) -> Read:
    """Return `text` read and checked, by its own ingredients' names, and by whose cups and spoons (mL) it seems to be.

    `habit` overrules what the text shows; where it shows nothing the kitchen's own are taken.
    """
    found = habit_of(text) if habit is None else Habit(habit)
    measures = _MEASURES.get(found.key) or Measures(kitchen.cup, kitchen.spoon, "", "The kitchen's own cups and spoons")
    known = words_here(kitchen, measures.cup, measures.spoon, measures.eggs_of)
    recipe = read_recipe(text, kitchen.shelf, known, chosen)
    by = formula_rules()
    checks = check_recipe(recipe, kitchen.shelf, by.marks, by.usual_shares, look_alikes())
    why = f": {', '.join(found.why)}" if found.why else ""
    use = use_in_words(recipe.title, [text for _, text in recipe.steps])
    formula = replace(as_formula(recipe), use=use)
    key = found.key if measures.eggs_of else ""
    return Read(recipe, checks, formula, key, f"{measures.say}{why}", use, _mix_stands(formula, kitchen))


def read_pasted_mix(text: str, kitchen: KitchenNow, chosen: Mapping[int, str] | None = None) -> tuple[ReadLine, ...]:
    """Return the parts of a pasted mix (g), by the kitchen's own cups, spoons (mL) and names. Raises BadInputError."""
    return read_mix(text, kitchen.shelf, words_here(kitchen), chosen)


def asked_each_time(phrase: str, item: Ingredient) -> str:
    """Return why a name is not remembered as `item`; empty where it may be. Flour may be wheat, or may not."""
    return why_asked(phrase, item.name, item.contains_gluten, flour_words())


def _mix_stands(formula: Formula, kitchen: KitchenNow) -> MixStands | None:
    inside = mix_inside(formula, kitchen.shelf)
    if inside is None:
        return None
    found = judged_blend(Blend(inside.parts, use=formula.use), kitchen)
    parts = tuple(
        MixPart(p.ingredient, p.name, str(p.role), p.mass_g, p.mix_pct, p.flour_pct) for p in found.analysis.parts
    )
    return MixStands(parts, found.fit.score if found.fit else None, found.say, inside.formula)


@dataclass(frozen=True, slots=True)
class Measures:
    """Whose cup and spoon, the region of the eggs (empty: by the cup), and that in words."""

    cup: CupStandard
    spoon: SpoonStandard
    eggs_of: str
    say: str


_MEASURES = {
    "us": Measures(CupStandard.US, SpoonStandard.US, "US", "US cups and eggs"),
    "uk": Measures(CupStandard.METRIC, SpoonStandard.METRIC, "EU", "British spoons and eggs, cups of 250 mL"),
    "au": Measures(CupStandard.METRIC, SpoonStandard.AUSTRALIAN, "EU", "Australian cups and spoons of 20 mL"),
    "ca": Measures(CupStandard.METRIC, SpoonStandard.METRIC, "US", "Metric cups, American eggs"),
    "eu": Measures(CupStandard.METRIC, SpoonStandard.METRIC, "EU", "Metric spoons, European eggs"),
}


def make_over(recipe: Formula, use: Use, kitchen: KitchenNow, off: Collection[str] = (), text: str = "") -> MadeOver:
    """Return `recipe` (g), with its blend pinned, made over for `use`; `off` are changes to leave out.

    Raises BadInputError.
    """
    by, shelf, setting = formula_rules(), kitchen.shelf, kitchen.formula_setting

    @cache
    def wanted(formula: Formula) -> tuple[Prediction, Corrected | None]:
        found = judge_formula(formula, shelf, by, setting)
        return found.prediction, found.wanted

    how = ConversionRules(
        use, kitchen.school, wanted, poor_candidates(), by, thickening_power(kitchen.thickener_school)
    )
    done = convert(recipe, shelf, how, off, text)
    own_use = use.slug if mix_inside(recipe, shelf) else None  # a wheat recipe is no gluten-free bake to be judged
    plain = replace(recipe, blend=(), pin=None, use=own_use, consistency=None)
    before = judge_formula(plain, shelf, by, setting)
    after = judge_formula(done.formula, shelf, by, setting)
    name = recipe.pin.name if recipe.pin else "the blend"
    pairs = paired(before.analysis.lines, after.analysis.lines, shelf, name)

    def judged_without(key: str) -> FormulaJudgement:
        return judge_formula(convert(recipe, shelf, how, {*off, key}, text).formula, shelf, by, setting)

    return MadeOver(done, before, after, pairs, _causes(done, after, judged_without))


def _causes(
    done: Conversion, after: FormulaJudgement, judged_without: Callable[[str], FormulaJudgement]
) -> tuple[str, ...]:
    """Name the change that lets a gauge hold: without it, the others as they are, the gauge does not."""
    held = {g.name: g for g in after.gauges if g.status is Status.HELD}
    said: dict[str, str] = {}
    for step in reversed(done.changes if held else ()):
        if not step.on or not step.change.size:
            continue
        still = {g.name for g in judged_without(step.change.what).gauges if g.status is Status.HELD}
        for name, gauge in held.items():
            if name not in still:
                said.setdefault(name, f"{gauge.label} holds it, {gauge.say}: that comes of “{step.say}”")
    return tuple(said.values())


@dataclass(frozen=True, slots=True)
class Side:
    """One side of a conversion: its totals in g, its water in % of flour, and what it is judged by."""

    dough_g: float
    flour_g: float
    hydration_pct: float | None
    gauges: tuple[Gauge, ...]
    say: str


def side_of(j: FormulaJudgement) -> Side:
    """Return one side of a conversion as it is shown."""
    a = j.analysis
    return Side(a.dough_g, a.flour_g, a.hydration_pct, j.gauges, j.say)
