"""Browning: what of the dough burns early against the hottest phase of its bake, in °C.

Legume flours, and whatever else browns as readily (sweet flours, dried milk and egg), burn above about 220 °C;
buckwheat, teff and the other grains stand a fierce oven; starches stay pale. A bake of a few minutes bears more. Rules
of thumb: a loaf can be covered, so this is close at most and never holds.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from fallow_sieve.core.formulas.analysis import WorkedFormula
from fallow_sieve.core.formulas.formula import is_flour
from fallow_sieve.core.formulas.gauges.gauge import Gauge, on_band
from fallow_sieve.core.ingredients import Ingredient, Kind, Role
from fallow_sieve.core.values import Band, Status

STANDS_C = 255.0  # what grain flours stand
BURNS_C = 220.0  # where much burns early
MUCH_PCT = 25.0
COOL_C = 200.0  # under it nothing burns early
READILY = 4.0  # on the browning scale of 0–5
SHORT_MINUTES = 10.0
SHORT_BEARS_K = 20.0
PALE_PCT = 60.0
PALE_UNDER_C = 230.0
COLOURS_PCT = 4.0
_LEAST_PCT = 5.0
_WHY = "bake cooler, or cover it, before it burns outside and is raw inside"


def early_pct(analysis: WorkedFormula) -> float:
    """Return how much of the dough browns early, % of flour base."""
    return _of_flour(analysis, _burns_early)


def _burns_early(item: Ingredient) -> bool:
    found = item.range_of("browning_index")
    browns = found is not None and found.typical >= READILY
    return item.in_flour_base and (item.role is Role.LEGUME or browns)


def browning_gauge(analysis: WorkedFormula, hottest_c: float | None, minutes: float) -> tuple[Gauge, ...]:
    """Return the gauge of the hottest phase (°C) of a bake of `minutes` in all; none where nothing browns early."""
    early = early_pct(analysis)
    if hottest_c is None or hottest_c < COOL_C or early < _LEAST_PCT:
        return ()
    bears = STANDS_C - (STANDS_C - BURNS_C) * min(1.0, early / MUCH_PCT)
    bears += SHORT_BEARS_K if minutes <= SHORT_MINUTES else 0.0
    band = Band(0.0, 0.0, bears, bears + 30.0)
    why = f"{early:.0f} % of the flour browns early and stands about {bears:.0f} °C: {_WHY}"
    found = on_band("browning", "Browning", "°C at most", hottest_c, band, f"{hottest_c - bears:.0f} K too hot", why)
    return (replace(found, status=Status.CLOSE) if found.status is Status.HELD else found,)


def stays_pale(analysis: WorkedFormula, hottest_c: float | None) -> str:
    """Return the sentence for a dough of starches with nothing that colours it; empty where it browns."""
    if hottest_c is None or hottest_c >= PALE_UNDER_C or _of_flour(analysis, _is_pale) < PALE_PCT:
        return ""
    if _colours_pct(analysis) >= COLOURS_PCT:
        return ""
    return "Mostly starch and little that browns: it stays pale. Brush it with egg, milk or oil, or add a little sugar."


def _is_pale(item: Ingredient) -> bool:
    found = item.range_of("browning_index")
    return item.in_flour_base and found is not None and found.typical <= 0


def _of_flour(analysis: WorkedFormula, counts: Callable[[Ingredient], bool]) -> float:
    if analysis.flour_g <= 0:
        return 0.0
    parts = [(p.mass_g, analysis.shelf[p.ingredient]) for p in analysis.dough.parts]
    return 100 * sum(m for m, i in parts if is_flour(i) and counts(i)) / analysis.flour_g


def _colours_pct(analysis: WorkedFormula) -> float:
    """What colours a crust: sugars, egg and milk, % of flour base."""
    parts = [(p.mass_g, analysis.shelf[p.ingredient]) for p in analysis.dough.parts]
    sugars = sum(m * s.typical / 100 for m, i in parts if (s := i.range_of("sugars_g")) is not None)
    rich = sum(m for m, i in parts if i.function(Kind.EGG_PART) or i.function(Kind.MILK))
    return 100 * (sugars + rich) / analysis.flour_g
