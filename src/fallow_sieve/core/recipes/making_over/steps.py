"""What a change of a conversion is, and what conversions go by."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field

from fallow_sieve.core.blends import DoseBand, Use
from fallow_sieve.core.formulas import (
    COUNTED,
    Corrected,
    Formula,
    FormulaRules,
    Prediction,
    WorkedFormula,
    analyse_formula,
)
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.recipes.making_over.flour_lines import Replaced
from fallow_sieve.core.values import Change


@dataclass(frozen=True, slots=True)
class ConversionStep:
    """One change of a conversion (g; a size of None is advice), what is done in words, and whether it is on."""

    change: Change
    say: str
    on: bool = True


@dataclass(frozen=True, slots=True)
class Conversion:
    """The formula after the changes that are on, every change, and why the bake is a poor candidate, if it is.

    `own_mix` says that the recipe was gluten-free before, and its own mix is what was replaced.
    """

    formula: Formula
    changes: tuple[ConversionStep, ...]
    poor: tuple[str, ...]
    own_mix: bool


@dataclass(frozen=True, slots=True)
class ConversionRules:
    """What a conversion goes by: the use, the school, how water is predicted, the rules that formulas are judged by.

    `wanted_water` gives the prediction and its correction for a formula; `poor` maps a word of a recipe to why it
    will not do well; `thickening` is the power of thickeners per gram (corn starch: 1). `seen` are analyses made on
    the way: conversions with one change left out go over the same formulas.
    """

    use: Use
    school: str
    wanted_water: Callable[[Formula], tuple[Prediction, Corrected | None]]
    poor: Mapping[str, str]
    by: FormulaRules
    thickening: Mapping[str, float] = field(default_factory=dict)
    seen: dict[Formula, WorkedFormula] = field(default_factory=dict, compare=False)

    @property
    def doses(self) -> Mapping[str, DoseBand]:
        """The usual binder doses of the use (% of flour)."""
        return self.by.doses.get(self.use.slug, {})


@dataclass(frozen=True, slots=True)
class Making:
    """A conversion under way: the recipe as it came, what of it the blend replaces, and what it goes by."""

    recipe: Formula
    replaced: Replaced
    shelf: Shelf
    rules: ConversionRules

    def analysed(self, formula: Formula) -> WorkedFormula:
        """Return what `formula` is (g), worked out once."""
        found = self.rules.seen.get(formula)
        if found is None:
            found = self.rules.seen[formula] = analyse_formula(formula, self.shelf, COUNTED)
        return found


Step = tuple[ConversionStep, Formula] | None

_LABELS = {
    "flour": "Flour",
    "raising": "Self-raising flour",
    "egg": "Egg",
    "own-binder": "Its own binder",
    "binder": "Binder",
    "leavening": "Leavening",
    "water": "Water",
    "elsewhere": "Wheat beside the dough",
    "gluten": "Other gluten",
    "rest": "Rest",
    "mixing": "Mixing",
    "tin": "Tin",
}


def step(key: str, say: str, why: str, size_g: float | None) -> ConversionStep:
    """Return the change `key` with its size in g (None: advice)."""
    return ConversionStep(Change(key, _LABELS[key], None, None, "g", size_g, why), say)
