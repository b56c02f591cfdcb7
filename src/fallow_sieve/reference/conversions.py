"""A pasted wheat recipe made over with the bundled rules: read, checked, converted, and judged before and after."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.blends.fit import Use
from fallow_sieve.core.formulas.formula import Formula
from fallow_sieve.core.formulas.judgement import FormulaJudgement, Kitchen, judge_formula
from fallow_sieve.core.formulas.water import Prediction
from fallow_sieve.core.formulas.water_learning import Corrected
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.recipes.checks import Finding, check_recipe
from fallow_sieve.core.recipes.conversion import Conversion, ConversionRules, convert
from fallow_sieve.core.recipes.reading import ReadRecipe, as_formula, read_recipe
from fallow_sieve.core.values.quantities import SpoonStandard
from fallow_sieve.reference.formulas import formula_rules, poor_candidates
from fallow_sieve.reference.names import look_alikes
from fallow_sieve.reference.recipes import words


@dataclass(frozen=True, slots=True)
class Read:
    """A recipe as read, what is odd about it, and the formula of what was understood (masses in g)."""

    recipe: ReadRecipe
    checks: tuple[Finding, ...]
    formula: Formula


@dataclass(frozen=True, slots=True)
class MadeOver:
    """A conversion, with the formula judged before (as a wheat recipe, for what it is) and after."""

    conversion: Conversion
    before: FormulaJudgement
    after: FormulaJudgement


def read_text(
    text: str, shelf: Shelf, kitchen: Kitchen, spoon: SpoonStandard, chosen: Mapping[int, str] | None = None
) -> Read:
    """Return `text` read with the kitchen's cups and spoons (mL) and its own ingredients' names, and checked."""
    own = [i for i in shelf.ingredients if i.own]
    recipe = read_recipe(text, shelf, words(kitchen.cup, spoon, own), chosen)
    rules = formula_rules()
    checks = check_recipe(recipe, shelf, rules.marks, rules.usual_shares, look_alikes())
    return Read(recipe, checks, as_formula(recipe))


def make_over(
    recipe: Formula,
    blend: Sequence[Part],
    use: Use,
    shelf: Shelf,
    kitchen: Kitchen,
    off: Collection[str] = (),
    text: str = "",
) -> MadeOver:
    """Return `recipe` (g) made over for `blend`; `off` are keys of changes to leave out. Raises BadInputError."""
    rules = formula_rules()
    pinned = replace(recipe, blend=tuple(blend))

    def wanted(formula: Formula) -> tuple[Prediction, Corrected | None]:
        found = judge_formula(formula, shelf, rules, kitchen)
        return found.prediction, found.wanted

    how = ConversionRules(use, rules.doses.get(use.slug, {}), kitchen.school, wanted, poor_candidates())
    done = convert(pinned, shelf, how, off, text)
    before = judge_formula(replace(recipe, blend=(), use=None, consistency=None), shelf, rules, kitchen)
    return MadeOver(done, before, judge_formula(done.formula, shelf, rules, kitchen))
