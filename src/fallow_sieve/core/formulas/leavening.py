"""What lifts a dough, and what slows the yeast: lines of a formula against the usual for its use.

Yeast, leaven and baking powder in % of flour base (rules of thumb). Fresh yeast counts as a third of instant,
baking soda as three times its mass of powder; sugar over 10 % and salt over 3 % of flour slow yeast.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from fallow_sieve.core.blends import AMOUNTS
from fallow_sieve.core.formulas.analysis import WorkedFormula
from fallow_sieve.core.formulas.formula import When
from fallow_sieve.core.ingredients import Function, Ingredient

SALT_SLOWS_PCT = 3.0
SUGAR_SLOWS_PCT = 10.0
_YEASTS, _POWDERS = AMOUNTS["yeast_pct"], AMOUNTS["leavening_pct"]  # as in a bag


@dataclass(frozen=True, slots=True)
class Usual:
    """A usual amount, % of flour base."""

    low_pct: float
    typical_pct: float
    high_pct: float


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


def lifts(formula: WorkedFormula, rule: LeaveningRule | None) -> tuple[Lift, ...]:
    """Return the lifts of a formula (% of flour base) that are there or that its use commonly has."""
    if formula.flour_g <= 0:
        return ()
    values = {
        "yeast": _sum(formula, _YEASTS),
        "leaven": 100 * sum(x.mass_g for x in formula.lines if x.when is When.LEAVEN) / formula.flour_g,
        "powder": _sum(formula, _POWDERS),
    }
    labels = {"yeast": "Yeast, as instant", "leaven": "Leaven", "powder": "Baking powder"}
    found = []
    for kind, value in values.items():
        usual = getattr(rule, kind) if rule else None
        if value > 0 or (usual is not None and usual.low_pct > 0 and not _lifted_otherwise(kind, values)):
            found.append(Lift(kind, labels[kind], value, usual))
    return tuple(found)


def _lifted_otherwise(kind: str, values: dict[str, float]) -> bool:
    """Yeast and leaven stand in for one another; either alone will do."""
    other = {"yeast": "leaven", "leaven": "yeast"}.get(kind)
    return other is not None and values[other] > 0


def _sum(formula: WorkedFormula, weights: Mapping[Function, float]) -> float:
    found = sum(x.mass_g * _weight(x.functions, weights) for x in formula.lines if x.in_dough)
    return 100 * found / formula.flour_g


def _weight(functions: Iterable[Function], weights: Mapping[Function, float]) -> float:
    return next((weights[f] for f in functions if f in weights), 0.0)


def has_yeast(formula: WorkedFormula) -> bool:
    """Return whether yeast or a leaven lifts the formula."""
    return any(x.in_dough and (_weight(x.functions, _YEASTS) > 0 or x.when is When.LEAVEN) for x in formula.lines)


@dataclass(frozen=True, slots=True)
class Load:
    """Salt or sugar in the dough: % of flour base and % of the water, and the sentence where it slows yeast."""

    kind: str
    flour_pct: float
    water_pct: float | None
    slows: str


def loads_on_yeast(formula: WorkedFormula) -> tuple[Load, ...]:
    """Return salt and sugars of the dough as % of flour base and of water; `slows` is empty where they do not."""
    if formula.flour_g <= 0:
        return ()
    yeast = has_yeast(formula)
    salt_g = _dough_g(formula, "salt_g")
    sugar_g = _dough_g(formula, "sugars_g")
    salt_pct, sugar_pct = 100 * salt_g / formula.flour_g, 100 * sugar_g / formula.flour_g

    def of_water(g: float) -> float | None:
        return 100 * g / formula.water_g if formula.water_g > 0 else None

    salt_slows = yeast and salt_pct > SALT_SLOWS_PCT
    sugar_slows = yeast and sugar_pct > SUGAR_SLOWS_PCT
    return (
        Load(
            "salt",
            salt_pct,
            of_water(salt_g),
            "Salt over 3 % of flour slows yeast: proof longer." if salt_slows else "",
        ),
        Load(
            "sugar",
            sugar_pct,
            of_water(sugar_g),
            "Sugar over 10 % of flour slows yeast: use more, or a sugar-tolerant one, and proof longer."
            if sugar_slows
            else "",
        ),
    )


def _dough_g(formula: WorkedFormula, nutrient: str) -> float:
    """The known g of a nutrient in the dough; what is unknown is left out, as the totals say."""
    e = formula.dough.nutrients[nutrient]
    return (e.typical or 0.0) * formula.dough.mass_g / 100


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
