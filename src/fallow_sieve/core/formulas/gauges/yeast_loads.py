"""Salt and sugar on yeast: over 3 % of flour salt slows it, over 10 % sugar does (rules of thumb)."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.formulas.analysis import WorkedFormula
from fallow_sieve.core.formulas.gauges.gauge import OF_FLOUR, Gauge, on_band
from fallow_sieve.core.formulas.gauges.leavening import has_yeast
from fallow_sieve.core.ingredients import Kind, of_kind
from fallow_sieve.core.values import Band

SALT_SLOWS_PCT = 3.0
SUGAR_SLOWS_PCT = 10.0
_GAUGES = {"salt": ("Salt on yeast", SALT_SLOWS_PCT, 4.0), "sugar": ("Sugar on yeast", SUGAR_SLOWS_PCT, 25.0)}
_SLOWS = {
    "salt": "Salt over 3 % of flour slows yeast: proof longer.",
    "sugar": "Sugar over 10 % of flour slows yeast: use more, or a sugar-tolerant one, and proof longer.",
}


@dataclass(frozen=True, slots=True)
class Load:
    """Salt or sugar in the dough: % of flour base and % of the water, and the sentence where it slows yeast."""

    kind: str
    flour_pct: float
    water_pct: float | None
    slows: str


def loads_on_yeast(formula: WorkedFormula) -> tuple[Load, ...]:
    """Return salt and sugars of the dough as % of flour base and of water; `slows` is empty where they do not.

    The sodium of baking powder and soda is no salt to taste, and is left out.
    """
    if formula.flour_g <= 0:
        return ()
    yeast = has_yeast(formula)
    return tuple(
        _load(formula, kind, nutrient, yeast) for kind, nutrient in (("salt", "salt_g"), ("sugar", "sugars_g"))
    )


def _load(formula: WorkedFormula, kind: str, nutrient: str, yeast: bool) -> Load:
    g = _dough_g(formula, nutrient)
    pct = 100 * g / formula.flour_g
    slows = yeast and pct > _GAUGES[kind][1]
    of_water = 100 * g / formula.water_g if formula.water_g > 0 else None
    return Load(kind, pct, of_water, _SLOWS[kind] if slows else "")


def _dough_g(formula: WorkedFormula, nutrient: str) -> float:
    """The known g of a nutrient in the dough; what is unknown is left out, as the totals say."""
    parts = [p for p in formula.dough.parts if not of_kind(p.functions, Kind.POWDER)]
    ranges = [(p.mass_g, formula.shelf[p.ingredient].range_of(nutrient)) for p in parts]
    return sum(mass_g * found.typical / 100 for mass_g, found in ranges if found is not None)


def yeast_gauges(loads: Sequence[Load]) -> tuple[Gauge, ...]:
    """Return the gauges of salt and sugar (% of flour base) in a dough that yeast lifts."""
    found = []
    for load in loads:
        label, good, hard = _GAUGES[load.kind]
        found.append(on_band(load.kind, label, OF_FLOUR, load.flour_pct, Band(0.0, 0.0, good, hard), "slows yeast"))
    return tuple(found)
