"""A pasted recipe: read with a kitchen's own cups and names, checked, made over, and judged before and after."""

from __future__ import annotations

from collections.abc import Collection, Mapping
from dataclasses import dataclass, replace

from fallow_sieve.core.blends import Use
from fallow_sieve.core.formulas import Corrected, Formula, FormulaJudgement, Gauge, Prediction, judge_formula
from fallow_sieve.core.recipes import (
    Conversion,
    ConversionRules,
    Pairing,
    ReadRecipe,
    RecipeCheck,
    as_formula,
    check_recipe,
    convert,
    paired,
    read_recipe,
)
from fallow_sieve.reference import formula_rules, look_alikes, poor_candidates, rules, words
from fallow_sieve.services.kitchen import KitchenNow


@dataclass(frozen=True, slots=True)
class Read:
    """A recipe as read, what is odd about it, and the formula of what was understood (masses in g)."""

    recipe: ReadRecipe
    checks: tuple[RecipeCheck, ...]
    formula: Formula


@dataclass(frozen=True, slots=True)
class MadeOver:
    """A conversion, the formula judged before (as a wheat recipe, for what it is) and after, and both line by line."""

    conversion: Conversion
    before: FormulaJudgement
    after: FormulaJudgement
    pairs: tuple[Pairing, ...]


def read_text(text: str, kitchen: KitchenNow, chosen: Mapping[int, str] | None = None) -> Read:
    """Return `text` read with the kitchen's cups and spoons (mL) and its own ingredients' names, and checked."""
    own = [i for i in kitchen.shelf.ingredients if i.own]
    recipe = read_recipe(text, kitchen.shelf, words(kitchen.cup, kitchen.spoon, own), chosen)
    by = formula_rules()
    checks = check_recipe(recipe, kitchen.shelf, by.marks, by.usual_shares, look_alikes())
    return Read(recipe, checks, as_formula(recipe))


def make_over(recipe: Formula, use: Use, kitchen: KitchenNow, off: Collection[str] = (), text: str = "") -> MadeOver:
    """Return `recipe` (g), with its blend pinned, made over for `use`; `off` are changes to leave out.

    Raises BadInputError.
    """
    by, shelf, setting = formula_rules(), kitchen.shelf, kitchen.formula_setting

    def wanted(formula: Formula) -> tuple[Prediction, Corrected | None]:
        found = judge_formula(formula, shelf, by, setting)
        return found.prediction, found.wanted

    how = ConversionRules(use, rules().doses.get(use.slug, {}), kitchen.school, wanted, poor_candidates())
    done = convert(recipe, shelf, how, off, text)
    plain = replace(recipe, blend=(), pin=None, use=None, consistency=None)
    before = judge_formula(plain, shelf, by, setting)
    after = judge_formula(done.formula, shelf, by, setting)
    name = recipe.pin.name if recipe.pin else "the blend"
    return MadeOver(done, before, after, paired(before.analysis.lines, after.analysis.lines, shelf, name))


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
