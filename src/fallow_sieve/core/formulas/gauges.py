"""The gauges of a formula: water, binder, what lifts it, salt and sugar, each a value on its band with a word for it.

The good band is the usual for the use; the hard limits stand half a window outside it, or where `HARD` says. Rules of
thumb (docs/method.md).
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.blends import BINDER_WALLS, LIFT_WALL, BinderInBag, BinderLoad, UseBand, load_state
from fallow_sieve.core.formulas.analysis import FormulaAnalysis
from fallow_sieve.core.formulas.formula import Formula, When
from fallow_sieve.core.formulas.leavening import SALT_SLOWS_PCT, SUGAR_SLOWS_PCT, Lift, Load
from fallow_sieve.core.formulas.water import Prediction
from fallow_sieve.core.formulas.water_learning import Corrected
from fallow_sieve.core.values import Band, Status

SALT_HARD_PCT = 4.0
SUGAR_HARD_PCT = 25.0
OF_FLOUR = "% of flour"
PASSES = "passes"
_LOAD_WORDS = {"none": "none at all", "light": "light", "good": PASSES, "heavy": "heavy", "double": "double dose?"}
_YEAST_LOADS = {
    "salt": ("Salt on yeast", SALT_SLOWS_PCT, SALT_HARD_PCT),
    "sugar": ("Sugar on yeast", SUGAR_SLOWS_PCT, SUGAR_HARD_PCT),
}


@dataclass(frozen=True, slots=True)
class Gauge:
    """One thing a formula is judged by: its value in its unit, how it stands, a word, and its band where it has any.

    `status` is pass, close, held or unknown; without a band (None) nothing but unknown.
    """

    name: str
    label: str
    unit: str
    value: float | None
    status: Status
    say: str
    band: Band | None = None
    basis: str = "rule of thumb"

    @property
    def off_by(self) -> float:
        """Gauges of one status keep the order of the work: widths of unlike bands are no measure."""
        return 0.0

    @property
    def called(self) -> str:
        """The gauge with its word in a sentence."""
        return f"{self.label.lower()} ({self.say})"


def _on(name: str, label: str, unit: str, value: float, band: Band, say: str = "") -> Gauge:
    """A gauge on its band; `say` is the word where it does not pass."""
    status = band.status(value)
    return Gauge(name, label, unit, value, status, PASSES if status is Status.PASS else say, band)


def _unlimited(name: str, label: str, unit: str, value: float | None, say: str) -> Gauge:
    return Gauge(name, label, unit, value, Status.UNKNOWN, say)


def water_gauge(analysis: FormulaAnalysis, prediction: Prediction, wanted: Corrected | None) -> tuple[Gauge, ...]:
    """Return the gauge of water (% of flour base): none without flour, no limits where none can be predicted."""
    value = analysis.hydration_pct
    if value is None:
        return ()
    if wanted is None:
        return (_unlimited("water", "Water", OF_FLOUR, value, prediction.say),)
    low, high = wanted.low_pct, wanted.high_pct
    reach = (high - low) / 2
    band = Band(max(0.0, low - reach), low, high, high + reach)
    off_g = band.distance(value) / 100 * analysis.flour_g
    say = f"{abs(off_g):.0f} g water {'short' if off_g < 0 else 'over'}"
    return (_on("water", "Water", OF_FLOUR, value, band, say),)


def binder_gauge(
    binder: BinderLoad, carries: BinderInBag | None, *, needed: bool, carried_by: str
) -> tuple[Gauge, ...]:
    """Return the gauge of binder load (× usual): none where there is none and the use asks for none.

    Egg and gelling seeds carry, so they fill up what is short. What a scald or a long ferment carries (`carried_by`)
    is not judged as lacking a binder; it is close, for the bag alone would fall apart.
    """
    if binder.load is None or carries is None:
        return (_unlimited("binder", "Binder", "× usual", None, binder.say),) if binder.doses else ()
    if not (carries.is_there or needed):
        return ()
    band, load = Band(*BINDER_WALLS), carries.shown
    found = _on("binder", "Binder", "× usual", load, band, _LOAD_WORDS[load_state(load)])
    if found.status is Status.HELD and load < 1 and carried_by:
        return (replace(found, status=Status.CLOSE, say=f"carried by {carried_by}"),)
    return (found,)


def lift_gauge(lift: Lift) -> Gauge:
    """Return the gauge of one kind of lift (% of flour base), on the usual for the use."""
    usual = lift.usual
    if usual is None:
        return _unlimited(lift.kind, lift.label, OF_FLOUR, lift.value_pct, "not usual here")
    band = Band(usual.low_pct / 2, usual.low_pct, usual.high_pct, usual.high_pct * LIFT_WALL)
    off = band.distance(lift.value_pct)
    say = f"{abs(off):.1f} % {'short' if off < 0 else 'over'}"
    return _on(lift.kind, lift.label, OF_FLOUR, lift.value_pct, band, say)


def yeast_gauges(loads: Sequence[Load]) -> tuple[Gauge, ...]:
    """Return the gauges of salt and sugar (% of flour base) in a dough that yeast lifts."""
    found = []
    for load in loads:
        label, good, hard = _YEAST_LOADS[load.kind]
        found.append(_on(load.kind, label, OF_FLOUR, load.flour_pct, Band(0.0, 0.0, good, hard), "slows yeast"))
    return tuple(found)


def seasoning_gauges(loads: Sequence[Load], usual: Sequence[UseBand]) -> tuple[Gauge, ...]:
    """Return the gauges of salt and sugar (% of flour base) in a dough without yeast, on the bands of its use's bag."""
    bands = {b.metric: b for b in usual}
    found = []
    for load in loads:
        band = bands.get(f"{load.kind}_pct")
        if band is not None and load.flour_pct > 0:
            over = band.distance(load.flour_pct)
            limits = Band(*band.limits)
            found.append(
                _on(load.kind, load.kind.capitalize(), OF_FLOUR, load.flour_pct, limits, f"{over:.1f} % over usual")
            )
    return tuple(found)


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
