"""What a swap does to the whole batch: its allergens, cost, energy, fat and water, before against after."""

from __future__ import annotations

from dataclasses import dataclass

from fallow_sieve.core.finished import cost_of
from fallow_sieve.core.formula_judgements import FormulaJudgement, FormulaRules, Kitchen, judge_formula
from fallow_sieve.core.formulas import Formula, analyse_formula, total_of
from fallow_sieve.core.shelf import Shelf


@dataclass(frozen=True, slots=True)
class Effects:
    """Allergens that come and go; changes of the batch in currency, kJ and g; hydration in % of flour base.

    None where one side is not known: a change from the unknown is not told.
    """

    brings: tuple[str, ...]
    rids_of: tuple[str, ...]
    cost_change: float | None
    energy_change_kj: float | None
    fat_change_g: float | None
    hydration_pct: float | None
    hydration_before_pct: float | None


@dataclass(frozen=True, slots=True)
class Weighed:
    """A formula's judgement, and what the whole batch costs, holds in energy (kJ) and in fat (g); None if unknown."""

    judgement: FormulaJudgement
    cost: float | None
    energy_kj: float | None
    fat_g: float | None


def weigh(formula: Formula, shelf: Shelf, rules: FormulaRules, kitchen: Kitchen) -> Weighed:
    """Return `formula` judged and weighed up. Raises BadInputError for lines that cannot be used."""
    judgement = judge_formula(formula, shelf, rules, kitchen)
    mix = analyse_formula(formula, shelf).mix

    def known(nutrient: str) -> float | None:
        return total_of(mix, nutrient).typical if mix.nutrients[nutrient].is_known else None

    return Weighed(judgement, cost_of(formula, shelf), known("energy_kj"), known("fat_g"))


def effects(before: Weighed, after: Weighed) -> Effects:
    """Return what becomes of the batch where `after` takes the place of `before`."""
    was, now = set(before.judgement.allergens), set(after.judgement.allergens)
    return Effects(
        brings=tuple(sorted(now - was)),
        rids_of=tuple(sorted(was - now)),
        cost_change=_change(before.cost, after.cost),
        energy_change_kj=_change(before.energy_kj, after.energy_kj),
        fat_change_g=_change(before.fat_g, after.fat_g),
        hydration_pct=after.judgement.analysis.hydration_pct,
        hydration_before_pct=before.judgement.analysis.hydration_pct,
    )


def _change(before: float | None, after: float | None) -> float | None:
    return None if before is None or after is None else after - before
