"""The water that a dough wants at its consistency, and which consistency that is where none is said."""

from __future__ import annotations

from collections.abc import Mapping

from fallow_sieve.core.formulas.analysis import WorkedFormula
from fallow_sieve.core.formulas.formula import Formula, check_consistency
from fallow_sieve.core.formulas.gauges import SAUCE
from fallow_sieve.core.formulas.rules import FormulaRules
from fallow_sieve.core.formulas.water import HydrationBand, Prediction, predict
from fallow_sieve.core.ingredients import Role, Shelf


def predicted(
    formula: Formula, analysis: WorkedFormula, rules: FormulaRules, use: str
) -> tuple[str | None, Prediction]:
    """Return the consistency, and the water for it (% of flour base).

    Where none is said, it is the usual one, or the nearest where the dough has another's water. Raises BadInputError
    for one that the use does not know.
    """
    bands = rules.hydration.get(use, {})
    wanted = formula.consistency if use != SAUCE else None  # a sauce's is no dough's
    if wanted is not None and use:
        check_consistency(wanted, tuple(bands))
    chosen = wanted if wanted is not None or not use else next(iter(bands), None)
    found = predict_for(analysis, analysis.shelf, rules, use, chosen)
    nearest = _nearest(bands, chosen, found, analysis.hydration_pct) if wanted is None else chosen
    if nearest == chosen:
        return chosen, found
    return nearest, predict_for(analysis, analysis.shelf, rules, use, nearest)


def _nearest(
    bands: Mapping[str, HydrationBand], usual: str | None, found: Prediction, water_pct: float | None
) -> str | None:
    """The usual consistency while that is near enough or little is poured; else the nearest to the water of a dough."""
    if usual is None or len(bands) < 2 or found.typical_pct is None or not water_pct:
        return usual
    shift = found.typical_pct - bands[usual].typical_pct  # thirst and binder ask the same of each
    least = min(b.low_pct for b in bands.values()) + shift
    bears = (bands[usual].high_pct - bands[usual].low_pct) / 2  # what the gauge of water lets through as close
    if water_pct < least / 2 or _off(bands[usual], water_pct - shift) <= bears:
        return usual
    return min(bands, key=lambda c: _off(bands[c], water_pct - shift))


def _off(band: HydrationBand, water_pct: float) -> float:
    return max(band.low_pct - water_pct, water_pct - band.high_pct, 0.0)


def predict_for(
    analysis: WorkedFormula, shelf: Shelf, rules: FormulaRules, use: str, consistency: str | None
) -> Prediction:
    """Return the water (% of flour base) that the dough of `analysis` wants for a use at a consistency."""
    parts = [(p.ingredient, p.mass_g, shelf[p.ingredient]) for p in analysis.dough.parts]
    flours = {s: m for s, m, i in parts if i.in_flour_base}
    binders = {s: m for s, m, i in parts if i.role is Role.BINDER}
    band = rules.hydration.get(use, {}).get(consistency or "")
    return predict(flours, binders, shelf, band, rules.holds)
