"""A formula on another revision of its blend: what would change in the mix, its water, binder, allergens and state."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from fallow_sieve.core.blends import OF_FLOUR, Blend, Part, analyse, difference
from fallow_sieve.core.formulas.formula import Formula
from fallow_sieve.core.formulas.judgement import FormulaJudgement, judge_formula
from fallow_sieve.core.formulas.rules import FormulaRules, FormulaSetting
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.values import Change, moved, spaced

WATER_DECIMALS, LOAD_DECIMALS = 1, 2


def changes_on(
    formula: Formula, parts: Sequence[Part], shelf: Shelf, rules: FormulaRules, setting: FormulaSetting
) -> tuple[Change, ...]:
    """Return what changes in `formula` with `parts` (g) as its blend.

    First the parts in % of the blend's flour, the largest change first; then the water that the dough wants, its
    binder load, its allergens and its state, where they change. The lines keep their masses. Raises BadInputError.
    """
    in_mix = difference(analyse(Blend(formula.blend), shelf), analyse(Blend(tuple(parts)), shelf)).parts
    if not formula.lines:
        return in_mix
    before = judge_formula(formula, shelf, rules, setting)
    after = judge_formula(replace(formula, blend=tuple(parts)), shelf, rules, setting)
    return (*in_mix, *_judged(before, after))


def _judged(before: FormulaJudgement, after: FormulaJudgement) -> Iterator[Change]:
    if before.wanted is not None and after.wanted is not None:
        was, now = before.wanted.typical_pct, after.wanted.typical_pct
        if round(was, WATER_DECIMALS) != round(now, WATER_DECIMALS):
            yield moved("water", "Water wanted", was, now, OF_FLOUR)
    was_load, now_load = before.binder.load, after.binder.load
    if (
        was_load is not None
        and now_load is not None
        and round(was_load, LOAD_DECIMALS) != round(now_load, LOAD_DECIMALS)
    ):
        yield moved("binder", "Binder load", was_load, now_load, "× usual")
    yield from _allergens(set(before.allergens), set(after.allergens))
    if before.say != after.say:
        yield Change("state", "State", before.say, after.say)


def _allergens(was: set[str], now: set[str]) -> Iterator[Change]:
    for name in sorted(now - was):
        yield Change(f"allergen/{name}", spaced(name), None, "contained")
    for name in sorted(was - now):
        yield Change(f"allergen/{name}", spaced(name), "on record", None)
