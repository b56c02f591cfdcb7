"""The line an ingredient begins as when it is added to a formula: at what is missing of it, or at its usual share.

Rules of thumb to start from, which the cook then changes (see docs/method.md).
"""

from __future__ import annotations

from fallow_sieve.core.blends import FIRST_FLOUR_G, NEW_BINDER_PCT, NEW_FLOUR_PCT, DoseBand, handy
from fallow_sieve.core.formulas.formula import WATER, Line, is_flour, usual_when, water_share
from fallow_sieve.core.formulas.gauges import usual_share_pct
from fallow_sieve.core.formulas.judgement import FormulaJudgement
from fallow_sieve.core.formulas.rules import FormulaRules
from fallow_sieve.core.ingredients import Ingredient, Kind, Role, standards

NEW_WATER_PCT = 60.0  # where no water can be predicted
OF_MOST = 0.4  # of the most that is usual, where the use can do without
_RICH = (
    ("fat_added_pct", "fat", Kind.FAT, "fat_g"),
    ("sugar_pct", "sugar", Kind.SWEETENER, "sugars_g"),
    ("egg_pct", "egg", Kind.EGG_PART, ""),
)
LEAST_OF_USUAL = 0.1  # where nothing is missing: a tenth of the usual


def begin_line(item: Ingredient, use: str | None, so_far: FormulaJudgement | None, rules: FormulaRules) -> Line:
    """Return the line (g) with which `item` begins in a formula for `use` that is judged `so_far` (None: empty).

    The first flour is 500 g. Water begins at what the dough still wants, a binder at what its load still lacks (a
    tenth of the usual where nothing does), yeast and powder at the usual of the use, salt and the like at their usual
    share, fat, sugar and egg at what is missing to the middle of their usual, anything else at 10 % of flour;
    without flour, of 500 g.
    """
    flour_g = so_far.analysis.flour_g if so_far else 0.0
    if flour_g <= 0 and is_flour(item):
        return Line(item.slug, FIRST_FLOUR_G, usual_when(item))
    share_pct = _share_pct(item, use or "", so_far, rules)
    return Line(item.slug, handy((flour_g or FIRST_FLOUR_G) * share_pct / 100), usual_when(item))


def _share_pct(item: Ingredient, use: str, so_far: FormulaJudgement | None, rules: FormulaRules) -> float:
    if item.slug == WATER:
        return _water_pct(so_far) / water_share(item)
    if item.role is Role.BINDER:
        return _binder_pct(rules.doses.get(use, {}).get(item.standard(Kind.BINDER) or ""), so_far)
    lift = usual_share_pct(item, rules.leavening.get(use))
    if lift:
        return lift
    rich = _rich_pct(item, use, so_far, rules)
    if rich:
        return rich
    usual = {u.ingredient: u.typical_pct for u in rules.usual_shares}
    return next((usual[s] for s in standards(item.functions) if s in usual), NEW_FLOUR_PCT)


def _rich_pct(item: Ingredient, use: str, so_far: FormulaJudgement | None, rules: FormulaRules) -> float:
    """What is missing of fat, sugar or egg to the middle of what is usual for the use; 0 for what is none of these."""
    for metric, name, kind, nutrient in _RICH:
        row = next((u for u in rules.usual.get(use, ()) if u.metric == metric), None)
        if row is None or not item.function(kind):
            continue
        band = row.band
        middle = (band.good_low + band.good_high) / 2 if band.good_low > 0 else OF_MOST * band.good_high
        has = next((g.value or 0.0 for g in so_far.gauges if g.name == name), 0.0) if so_far else 0.0
        held = item.range_of(nutrient) if nutrient else None
        per_g = held.typical / 100 if held is not None and held.typical > 0 else 1.0
        return max(middle - has, LEAST_OF_USUAL * middle) / per_g
    return 0.0


def _water_pct(so_far: FormulaJudgement | None) -> float:
    if so_far is None or so_far.wanted is None or so_far.analysis.hydration_pct is None:
        return NEW_WATER_PCT
    wanted_pct = so_far.wanted.typical_pct
    return max(wanted_pct - so_far.analysis.hydration_pct, LEAST_OF_USUAL * wanted_pct)


def _binder_pct(dose: DoseBand | None, so_far: FormulaJudgement | None) -> float:
    if dose is None:
        return NEW_BINDER_PCT
    load = (so_far.binder.load or 0.0) if so_far else 0.0
    return dose.typical_pct * max(1 - load, LEAST_OF_USUAL)
