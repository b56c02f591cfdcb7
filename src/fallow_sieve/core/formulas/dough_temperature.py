"""How warm the water must be for a dough of the wanted temperature: a heat balance.

Σ mᵢ cᵢ (T − Tᵢ) = 0 with specific heats in kJ/(kg K), after the warming by mixing (friction) is taken off; ice
takes its latent heat too. Specific heats: usual engineering values for foods (rule of thumb for mixes).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.formulas.formula import BLEND, OUTSIDE_DOUGH, WATER, Formula, is_flour
from fallow_sieve.core.formulas.pouring import is_poured
from fallow_sieve.core.ingredients import Ingredient, Kind, Shelf
from fallow_sieve.core.values import BadInputError

SPECIFIC_HEAT = {"water": 4.18, "flour": 1.7, "egg": 3.3, "milk": 3.9, "fat": 2.1, "sugar": 1.25}
ICE_LATENT_KJ_PER_KG = 334.0
FRICTION_K = {"machine": 3.0, "hand": 1.0}
HOTTEST_FOR_DRY_YEAST_C = 43.0
HOTTEST_FOR_INSTANT_C = 54.0
HOTTEST_DOUGH_C = 50.0
SLOW_DOUGH_C = 20.0


@dataclass(frozen=True, slots=True)
class Mass:
    """Something that goes in besides the water: what kind it is (a key of SPECIFIC_HEAT), g, and its °C."""

    kind: str
    mass_g: float
    temp_c: float


@dataclass(frozen=True, slots=True)
class WaterPlan:
    """Water at `water_c` (°C), of which `ice_g` g is ice where tap water is not cold enough; and warnings."""

    water_c: float
    ice_g: float
    pour_g: float
    dough_c: float
    warnings: tuple[str, ...]


def water_temperature(
    others: Sequence[Mass],
    water_g: float,
    dough_c: float,
    friction_k: float = FRICTION_K["machine"],
    tap_c: float = 12.0,
    yeast: str = "none",
) -> WaterPlan:
    """Return the temperature (°C) of `water_g` g of water that gives a dough at `dough_c`.

    Where it would be under `tap_c`, part of it is ice (g) and the rest tap water. `yeast` is none, instant (in the
    dry mix) or dry (rehydrated in the liquid). Raises BadInputError where there is no water to warm or cool.
    """
    if water_g <= 0:
        raise BadInputError("there is no water line to warm or cool", right="add water to the formula")
    before_c = dough_c - friction_k
    heat = sum(x.mass_g * SPECIFIC_HEAT[x.kind] * (before_c - x.temp_c) for x in others)
    wanted_c = before_c + heat / (water_g * SPECIFIC_HEAT["water"])
    ice_g = _ice(wanted_c, water_g, tap_c) if wanted_c < tap_c else 0.0
    return WaterPlan(
        water_c=wanted_c if ice_g <= 0 else tap_c,
        ice_g=ice_g,
        pour_g=water_g - ice_g,
        dough_c=dough_c,
        warnings=_warnings(wanted_c, dough_c, yeast, ice_g, water_g),
    )


def _ice(wanted_c: float, water_g: float, tap_c: float) -> float:
    """The g of ice at 0 °C in `water_g` that stand for water at `wanted_c` with the rest at `tap_c`."""
    c = SPECIFIC_HEAT["water"]
    return water_g * c * (tap_c - wanted_c) / (ICE_LATENT_KJ_PER_KG + c * tap_c)


def _warnings(water_c: float, dough_c: float, yeast: str, ice_g: float, water_g: float) -> tuple[str, ...]:
    found = []
    if yeast == "dry" and water_c > HOTTEST_FOR_DRY_YEAST_C:
        found.append(
            f"Water at {water_c:.0f} °C kills rehydrating dried yeast: keep it under {HOTTEST_FOR_DRY_YEAST_C:.0f} °C."
        )
    if yeast == "instant" and water_c > HOTTEST_FOR_INSTANT_C:
        found.append(
            f"Water at {water_c:.0f} °C is too hot even for instant yeast in the dry mix: "
            f"keep it under {HOTTEST_FOR_INSTANT_C:.0f} °C."
        )
    if dough_c > HOTTEST_DOUGH_C:
        found.append(f"A dough over {HOTTEST_DOUGH_C:.0f} °C kills yeast and sets starch.")
    if yeast != "none" and dough_c < SLOW_DOUGH_C:
        found.append(f"Under {SLOW_DOUGH_C:.0f} °C the dough ferments slowly: plan more time.")
    if water_c >= 60:
        found.append("Hot water burns: pour it slowly, away from you.")
    if water_c > 100:
        found.append("Water cannot be that hot: warm the flour or the bowl instead.")
    if ice_g > water_g:
        found.append("All ice would not be cold enough: chill the flour too.")
    return tuple(found)


def dough_temperature(others: Sequence[Mass], water_g: float, water_c: float, friction_k: float) -> float:
    """Return the °C of the dough that `water_g` g of water at `water_c` gives after `friction_k` K of mixing.

    The same balance as `water_temperature`, the other way round. Raises BadInputError where there is nothing to mix.
    """
    masses = [*others, Mass("water", water_g, water_c)]
    capacity = sum(x.mass_g * SPECIFIC_HEAT[x.kind] for x in masses)
    if capacity <= 0:
        raise BadInputError("there is nothing to mix", right="give masses over 0 g")
    return sum(x.mass_g * SPECIFIC_HEAT[x.kind] * x.temp_c for x in masses) / capacity + friction_k


_FROM_COLD = frozenset({"egg", "milk"})
_MOSTLY = {"milk": "water_g", "fat": "fat_g", "sugar": "sugars_g"}
_MOST_PER_100_G = 50.0


def masses_of(formula: Formula, shelf: Shelf, room_c: float, cold_c: float) -> tuple[Mass, ...]:
    """Return what meets the water in the dough (g, °C): eggs and milks at `cold_c`, all else at `room_c`.

    The water of a gel, soak or leaven stood in the room with it, and cannot be warmed any more.
    """
    found = []
    for x in formula.lines:
        if x.when in OUTSIDE_DOUGH or is_poured(x):
            continue
        kind = "flour" if x.ingredient == BLEND else heat_kind(shelf[x.ingredient])
        found.append(Mass(kind, x.mass_g, cold_c if kind in _FROM_COLD else room_c))
    return tuple(found)


def heat_kind(item: Ingredient) -> str:
    """Return what `item` counts as in the heat balance (a key of SPECIFIC_HEAT), by what it is mostly made of."""
    if item.slug == WATER:
        return "water"
    if item.function(Kind.EGG_PART):
        return "egg"
    if is_flour(item):
        return "flour"
    amounts = {k: (r.typical if (r := item.range_of(n)) else 0.0) for k, n in _MOSTLY.items()}
    most = max(amounts, key=lambda k: amounts[k])
    return most if amounts[most] > _MOST_PER_100_G else "flour"
