"""The gauges of a formula: water, binder, what lifts it, salt and sugar, each a value on its band with a word for it.

The good band is the usual for the use; the hard limits stand half a window outside it, or where `HARD` says. Rules of
thumb (docs/method.md).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.binders import GOOD_LOAD, BinderLoad
from fallow_sieve.core.formulas import FormulaAnalysis
from fallow_sieve.core.leavening import SALT_SLOWS_PCT, SUGAR_SLOWS_PCT, Lift, Load
from fallow_sieve.core.uses import Status
from fallow_sieve.core.water import Corrected, Prediction

SALT_HARD_PCT = 4.0
SUGAR_HARD_PCT = 25.0
LOAD_HARD = (0.3, 1.6)
OF_FLOUR = "% of flour"
PASSES = "passes"
_EDGE = 1e-9
_ORDER = (Status.HELD, Status.CLOSE, Status.UNKNOWN, Status.PASS)
_LOAD_WORDS = {"none": "none at all", "light": "light", "good": PASSES, "heavy": "heavy", "double": "double dose?"}
_YEAST_LOADS = {
    "salt": ("Salt on yeast", SALT_SLOWS_PCT, SALT_HARD_PCT),
    "sugar": ("Sugar on yeast", SUGAR_SLOWS_PCT, SUGAR_HARD_PCT),
}


@dataclass(frozen=True, slots=True)
class Limits:
    """A good band between hard limits, in a gauge's unit."""

    hard_low: float
    good_low: float
    good_high: float
    hard_high: float

    def status(self, value: float) -> Status:
        """Return pass inside the good band, close between it and the hard limits, held outside."""
        if self.good_low - _EDGE <= value <= self.good_high + _EDGE:
            return Status.PASS
        inside = self.hard_low - _EDGE <= value <= self.hard_high + _EDGE
        return Status.CLOSE if inside else Status.HELD

    def off(self, value: float) -> float:
        """Return how far `value` is from the good band, signed; of a value inside, from its upper edge."""
        return value - (self.good_low if value < self.good_low else self.good_high)


@dataclass(frozen=True, slots=True)
class Gauge:
    """One thing a formula is judged by: its value in its unit, how it stands, a word, and its limits where it has any.

    `status` is pass, close, held or unknown; without limits (None) nothing but unknown.
    """

    name: str
    label: str
    unit: str
    value: float | None
    status: Status
    say: str
    hard_low: float | None = None
    good_low: float | None = None
    good_high: float | None = None
    hard_high: float | None = None
    basis: str = "rule of thumb"


def _on(name: str, label: str, unit: str, value: float, limits: Limits, say: str = "") -> Gauge:
    """A gauge on its limits; `say` is the word where it does not pass."""
    status = limits.status(value)
    word = PASSES if status is Status.PASS else say
    return Gauge(
        name, label, unit, value, status, word, limits.hard_low, limits.good_low, limits.good_high, limits.hard_high
    )


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
    limits = Limits(max(0.0, low - reach), low, high, high + reach)
    off_g = limits.off(value) / 100 * analysis.flour_g
    say = f"{abs(off_g):.0f} g water {'short' if off_g < 0 else 'over'}"
    return (_on("water", "Water", OF_FLOUR, value, limits, say),)


def binder_gauge(binder: BinderLoad) -> tuple[Gauge, ...]:
    """Return the gauge of binder load (× usual): none where there is neither a binder nor a usual dose."""
    if binder.load is None:
        return (_unlimited("binder", "Binder", "× usual", None, binder.say),) if binder.doses else ()
    limits = Limits(LOAD_HARD[0], *GOOD_LOAD, LOAD_HARD[1])
    return (_on("binder", "Binder", "× usual", binder.load, limits, _LOAD_WORDS[binder.state]),)


def lift_gauge(lift: Lift) -> Gauge:
    """Return the gauge of one kind of lift (% of flour base), on the usual for the use."""
    usual = lift.usual
    if usual is None:
        return _unlimited(lift.kind, lift.label, OF_FLOUR, lift.value_pct, "not usual here")
    limits = Limits(usual.low_pct / 2, usual.low_pct, usual.high_pct, usual.high_pct * 1.5)
    off = limits.off(lift.value_pct)
    say = f"{abs(off):.1f} % {'short' if off < 0 else 'over'}"
    return _on(lift.kind, lift.label, OF_FLOUR, lift.value_pct, limits, say)


def yeast_gauges(loads: Sequence[Load]) -> tuple[Gauge, ...]:
    """Return the gauges of salt and sugar (% of flour base) in a dough that yeast lifts."""
    found = []
    for load in loads:
        label, good, hard = _YEAST_LOADS[load.kind]
        found.append(_on(load.kind, label, OF_FLOUR, load.flour_pct, Limits(0.0, 0.0, good, hard), "slows yeast"))
    return tuple(found)


def worst_first(gauges: Sequence[Gauge]) -> tuple[Gauge, ...]:
    """Return the gauges, those that hold the formula first."""
    return tuple(sorted(gauges, key=lambda g: _ORDER.index(g.status)))


def state_of(gauges: Sequence[Gauge]) -> str:
    """Return the state of a formula in one sentence: what holds it, else what is close."""
    by = {s: [g for g in gauges if g.status is s] for s in _ORDER}
    held, close = by[Status.HELD], by[Status.CLOSE]
    if held:
        return f"Held by {len(held)} of {len(gauges)}: {_named(held)}."
    if close:
        return f"Nothing holds it. Close: {_named(close)}."
    return "Nothing holds it." if by[Status.PASS] else "Nothing can be judged yet."


def _named(gauges: Sequence[Gauge]) -> str:
    return ", ".join(f"{g.label.lower()} ({g.say})" for g in gauges)
