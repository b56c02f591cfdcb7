"""The gauges of water and of binder: how much there is against what the dough wants and the use usually has."""

from __future__ import annotations

import re
from dataclasses import replace

from fallow_sieve.core.blends import BINDER_WALLS, BinderInBag, BinderLoad, load_state
from fallow_sieve.core.formulas.analysis import FormulaAnalysis
from fallow_sieve.core.formulas.formula import Formula, When
from fallow_sieve.core.formulas.gauges.gauge import OF_FLOUR, PASSES, Gauge, on_band, unlimited
from fallow_sieve.core.formulas.water import HydrationBand, Prediction
from fallow_sieve.core.formulas.water_learning import Corrected
from fallow_sieve.core.values import Band, Status

_LOAD_WORDS = {"none": "none at all", "light": "light", "good": PASSES, "heavy": "heavy", "double": "double dose?"}


def water_gauge(
    analysis: FormulaAnalysis, prediction: Prediction, wanted: Corrected | None, table: HydrationBand | None
) -> tuple[Gauge, ...]:
    """Return the gauge of water (% of flour base): none without flour, no limits where none can be predicted.

    The hard limits stand twice as far from what is wanted as the window's edges, but no further than twice the usual
    of the use (`table`): what is not known for sure does not make a dough that runs a sound one.
    """
    value = analysis.hydration_pct
    if value is None:
        return ()
    if wanted is None or table is None:
        return (unlimited("water", "Water", OF_FLOUR, value, prediction.say),)
    low, typical, high = wanted.low_pct, wanted.typical_pct, wanted.high_pct
    below = _wall(typical - low, table.typical_pct - table.low_pct)
    above = _wall(high - typical, table.high_pct - table.typical_pct)
    band = Band(min(low, max(0.0, typical - below)), low, high, max(high, typical + above))
    off_g = band.distance(value) / 100 * analysis.flour_g
    say = f"{abs(off_g):.0f} g water {'short' if off_g < 0 else 'over'}"
    return (on_band("water", "Water", OF_FLOUR, value, band, say),)


def _wall(side: float, usual: float) -> float:
    return min(2 * side, max(side, 2 * usual))


def binder_gauge(
    binder: BinderLoad, carries: BinderInBag | None, *, needed: bool, carried_by: str
) -> tuple[Gauge, ...]:
    """Return the gauge of binder load (× usual): none where there is none and the use asks for none.

    Egg and gelling seeds carry, so they fill up what is short. What a scald or a long ferment carries (`carried_by`)
    is not judged as lacking a binder; it is close, for the bag alone would fall apart.
    """
    if binder.load is None or carries is None:
        return (unlimited("binder", "Binder", "× usual", None, binder.say),) if binder.doses else ()
    if not (carries.is_there or needed):
        return ()
    band, load = Band(*BINDER_WALLS), carries.shown
    found = on_band("binder", "Binder", "× usual", load, band, _LOAD_WORDS[load_state(load)])
    if found.status is Status.HELD and load < 1 and carried_by:
        return (replace(found, status=Status.CLOSE, say=f"carried by {carried_by}"),)
    return (found,)


# What carries a dough without a binder: a scald gels the starch, steam sets it, a long ferment thickens it.
_WAYS = (
    ("a scald", re.compile(r"\b(scald\w*|boiling (water|milk)|hot water|roux|cook the (paste|dough))\b", re.I)),
    ("steam", re.compile(r"\bsteam(ed|er|ing)?\b(?! (oven|tray|in the oven))", re.I)),
    ("a long ferment", re.compile(r"\b(ferment\w*|sour(ed|ing|dough)?|overnight|leaven|starter)\b", re.I)),
)


def carried_by(formula: Formula) -> str:
    """Return what the method or a leaven says carries the dough, in words; empty where nothing does."""
    for words, way in _WAYS:
        if way.search(formula.method):
            return words
    return "a long ferment" if any(x.when is When.LEAVEN for x in formula.lines) else ""
