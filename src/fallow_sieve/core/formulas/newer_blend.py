"""A formula on another revision of its blend: what would change in the mix, its water, binder, allergens and state."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from fallow_sieve.core.blends.analysis import analyse
from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.differences import PartChange, difference
from fallow_sieve.core.formulas.formula import Formula
from fallow_sieve.core.formulas.judgement import FormulaJudgement, FormulaRules, Kitchen, judge_formula
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.words import moved


def changes_on(
    formula: Formula, parts: Sequence[Part], shelf: Shelf, rules: FormulaRules, kitchen: Kitchen
) -> tuple[str, ...]:
    """Return, a sentence each, what changes in `formula` with `parts` (g) as its blend.

    First the parts in % of the blend's flour, the largest change first; then the water that the dough wants, its
    binder load, its allergens and its state, where they change. The lines keep their masses. Raises BadInputError.
    """
    changed = difference(analyse(Blend(formula.blend), shelf), analyse(Blend(tuple(parts)), shelf))
    found = [_part(p) for p in changed.parts]
    if formula.lines:
        before = judge_formula(formula, shelf, rules, kitchen)
        after = judge_formula(replace(formula, blend=tuple(parts)), shelf, rules, kitchen)
        found += [s for s in (_water(before, after), _load(before, after), *_allergens(before, after)) if s]
        if before.say != after.say:
            found.append(f"“{before.say}” becomes “{after.say}”")
    return tuple(found)


def _part(p: PartChange) -> str:
    return f"{p.name} {p.before_pct or 0:.1f} → {p.after_pct or 0:.1f} % of flour"


def _water(before: FormulaJudgement, after: FormulaJudgement) -> str:
    if before.wanted is None or after.wanted is None:
        return ""
    return moved("water wanted", before.wanted.typical_pct, after.wanted.typical_pct, 1, " % of flour")


def _load(before: FormulaJudgement, after: FormulaJudgement) -> str:
    if before.binder.load is None or after.binder.load is None:
        return ""
    return moved("binder load", before.binder.load, after.binder.load, 2, "")


def _allergens(before: FormulaJudgement, after: FormulaJudgement) -> list[str]:
    was, now = set(before.allergens), set(after.allergens)
    comes = [f"contains {a.replace('-', ' ')} now" for a in sorted(now - was)]
    return comes + [f"no more {a.replace('-', ' ')} on record" for a in sorted(was - now)]
