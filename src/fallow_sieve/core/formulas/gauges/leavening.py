"""What lifts a dough against the usual for its use: yeast, leaven, baking powder, and soda with the acid it meets.

In % of flour base (rules of thumb), of the lines and of what the bag brings. Fresh yeast counts as a third of instant;
soda that meets acid as three times its mass of powder, and what meets none is counted apart.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from fallow_sieve.core.blends import ALL_STARCH_PCT, AMOUNTS, LIFT_WALL, fresh_egg_of
from fallow_sieve.core.formulas.analysis import WorkedFormula
from fallow_sieve.core.formulas.formula import When
from fallow_sieve.core.formulas.gauges.gauge import OF_FLOUR, Gauge, off_the_usual, on_band, unlimited
from fallow_sieve.core.ingredients import Function, Ingredient, Role
from fallow_sieve.core.values import Band

_YEASTS, _POWDERS = AMOUNTS["yeast_pct"], AMOUNTS["chemical_leavening_pct"]  # as in a bag
LEAVEN_ACID = "leaven"  # the row of the acids that stands for a ripe leaven, whatever is in it
_TRACE_PCT = 0.05
ALONE_FROM_PCT = 1.5  # % of flour; so much powder is there to lift a bread by itself


@dataclass(frozen=True, slots=True)
class Usual:
    """A usual amount, % of flour base."""

    low_pct: float
    typical_pct: float
    high_pct: float


POWDER_ALONE = Usual(2.0, 4.0, 6.0)  # a bread without yeast is lifted as a quick bread is


@dataclass(frozen=True, slots=True)
class LeaveningRule:
    """The usual instant yeast, leaven and baking powder for a use (None: not used there), and a note."""

    yeast: Usual | None
    leaven: Usual | None
    powder: Usual | None
    note: str


@dataclass(frozen=True, slots=True)
class Lift:
    """One kind of lift: its amount in % of flour base as instant yeast, leaven or powder, and the usual."""

    kind: str
    label: str
    value_pct: float
    usual: Usual | None


@dataclass(frozen=True, slots=True)
class Soda:
    """Baking soda in the dough, % of flour base: what meets acid, and what meets none."""

    met_pct: float
    unmet_pct: float


def soda_of(formula: WorkedFormula, acids: Mapping[str, float]) -> Soda:
    """Return how much of a formula's soda meets acid; `acids` are g of soda that 1 g meets, by function."""
    if formula.flour_g <= 0:
        return Soda(0.0, 0.0)
    soda = _parts_g(formula, {Function.BAKING_SODA: 1.0})
    meets = _parts_g(formula, {f: acids[f] for f in Function if f in acids})
    leaven = sum(x.mass_g for x in formula.lines if x.when is When.LEAVEN)
    met = min(soda, meets + acids.get(LEAVEN_ACID, 0.0) * leaven)
    return Soda(100 * met / formula.flour_g, 100 * (soda - met) / formula.flour_g)


def lifts(formula: WorkedFormula, rule: LeaveningRule | None, soda: Soda) -> tuple[Lift, ...]:
    """Return the lifts of a formula (% of flour base) that are there or that its use commonly has."""
    if formula.flour_g <= 0:
        return ()
    powder = 100 * _parts_g(formula, {Function.BAKING_POWDER: 1.0}) / formula.flour_g
    values = {
        "yeast": 100 * _parts_g(formula, _YEASTS) / formula.flour_g,
        "leaven": 100 * sum(x.mass_g for x in formula.lines if x.when is When.LEAVEN) / formula.flour_g,
        "powder": _powder_pct(powder, soda, rule),
    }
    labels = {"yeast": "Yeast, as instant", "leaven": "Leaven", "powder": "Baking powder"}
    by_powder = values["powder"] >= ALONE_FROM_PCT and not (values["yeast"] or values["leaven"])
    found = []
    for kind, value in values.items():
        usual = getattr(rule, kind) if rule else None
        if kind == "powder" and by_powder and rule and rule.yeast:
            usual = POWDER_ALONE
        needed = usual is not None and usual.low_pct > 0 and not (by_powder or _lifted_otherwise(kind, values))
        if value > 0 or (needed and not is_egg_and_starch(formula)):
            found.append(Lift(kind, labels[kind], value, usual))
    return tuple(found)


def is_egg_and_starch(formula: WorkedFormula) -> bool:
    """Return whether egg and steam lift it: a paste of isolated starch with a fifth of egg or more."""
    starch = sum(p.mass_g for p in formula.dough.parts if p.role is Role.STARCH)
    egg = sum(p.mass_g * fresh_egg_of(p.functions) for p in formula.dough.parts)
    return 100 * starch >= ALL_STARCH_PCT * formula.flour_g and egg >= 0.2 * formula.flour_g


def _powder_pct(powder: float, soda: Soda, rule: LeaveningRule | None) -> float:
    """Powder and the soda that meets acid; heat alone frees half of the others' gas, which fills up what is short."""
    strength = _POWDERS[Function.BAKING_SODA]
    value = powder + strength * soda.met_pct
    low = rule.powder.low_pct if rule and rule.powder else 0.0
    return max(value, min(low, value + strength / 2 * soda.unmet_pct))


def _lifted_otherwise(kind: str, values: dict[str, float]) -> bool:
    """Yeast and leaven stand in for one another; either alone will do."""
    other = {"yeast": "leaven", "leaven": "yeast"}.get(kind)
    return other is not None and values[other] > 0


def _parts_g(formula: WorkedFormula, weights: Mapping[Function, float]) -> float:
    """The g in the dough of what `weights` name, its bag opened."""
    return sum(p.mass_g * _weight(p.functions, weights) for p in formula.dough.parts)


def _weight(functions: Iterable[Function], weights: Mapping[Function, float]) -> float:
    return next((weights[f] for f in functions if f in weights), 0.0)


def has_yeast(formula: WorkedFormula) -> bool:
    """Return whether yeast or a leaven lifts the formula."""
    return any(x.when is When.LEAVEN for x in formula.lines) or _parts_g(formula, _YEASTS) > 0


def lift_gauge(lift: Lift) -> Gauge:
    """Return the gauge of one kind of lift (% of flour base), on the usual for the use."""
    usual = lift.usual
    if usual is None:
        return unlimited(lift.kind, lift.label, OF_FLOUR, lift.value_pct, "not usual here")
    band = Band(usual.low_pct / 2, usual.low_pct, usual.high_pct, usual.high_pct * LIFT_WALL)
    return on_band(lift.kind, lift.label, OF_FLOUR, lift.value_pct, band, off_the_usual(band, lift.value_pct))


def soda_gauge(soda: Soda, band: Band | None, why: str) -> tuple[Gauge, ...]:
    """Return the gauge of soda that meets no acid (% of flour base): none where all does, or nothing is on record."""
    if band is None or soda.unmet_pct < _TRACE_PCT:
        return ()
    say = "more acid, or less soda"
    return (on_band("soda", "Soda without acid", OF_FLOUR, soda.unmet_pct, band, say, why),)


def powder_equivalent(item: Ingredient) -> float:
    """Return the g of baking powder that 1 g of `item` stands for; 0 where it is no chemical leavening."""
    return _weight(item.functions, _POWDERS)


def usual_share_pct(item: Ingredient, rule: LeaveningRule | None) -> float | None:
    """Return the usual of a yeast or powder by a use's rule, % of flour base; None where `item` is neither."""
    if rule is None:
        return None
    for usual, weights in ((rule.yeast, _YEASTS), (rule.powder, _POWDERS)):
        weight = _weight(item.functions, weights)
        if usual is not None and weight > 0 and usual.typical_pct > 0:
            return usual.typical_pct / weight
    return None
