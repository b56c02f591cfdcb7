"""The heat balance of a formula: which of its lines stand at the room's temperature and which come out of the cold."""

from __future__ import annotations

from fallow_sieve.core.formulas import BLEND, OUTSIDE_DOUGH, WATER, Formula, is_flour, is_poured
from fallow_sieve.core.heat import Mass
from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.core.shelf import Shelf

_FROM_COLD = frozenset({"egg", "milk"})
_MOSTLY = {"milk": "water_g", "fat": "fat_g", "sugar": "sugars_g"}
_MOST_PER_100_G = 50.0


def masses_of(formula: Formula, shelf: Shelf, room_c: float, cold_c: float) -> tuple[Mass, ...]:
    """Return what meets the water in the dough (g, °C): eggs and milks at `cold_c`, all else at `room_c`.

    The water of a gel, soak or leaven stood in the room with it, and cannot be warmed any more.
    """
    found = []
    for x in formula.lines:
        if x.stage in OUTSIDE_DOUGH or is_poured(x):
            continue
        kind = "flour" if x.ingredient == BLEND else heat_kind(shelf[x.ingredient])
        found.append(Mass(kind, x.mass_g, cold_c if kind in _FROM_COLD else room_c))
    return tuple(found)


def heat_kind(item: Ingredient) -> str:
    """Return what `item` counts as in the heat balance (a key of SPECIFIC_HEAT), by what it is mostly made of."""
    if item.slug == WATER:
        return "water"
    if "egg" in item.slug.split("-") and not item.slug.endswith("powder"):
        return "egg"
    if is_flour(item):
        return "flour"
    amounts = {k: (r.typical if (r := item.range_of(n)) else 0.0) for k, n in _MOSTLY.items()}
    most = max(amounts, key=lambda k: amounts[k])
    return most if amounts[most] > _MOST_PER_100_G else "flour"
