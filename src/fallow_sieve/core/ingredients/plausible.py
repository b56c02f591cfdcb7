"""What can be true of an ingredient: the limits of each number, and that the parts of 100 g fit into 100 g."""

from __future__ import annotations

import math
from collections.abc import Mapping

from fallow_sieve.core.ingredients.ingredient import PROPERTIES, range_from_number
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.values import BadInputError, Range

_ENERGY_HIGHEST = {"energy_kj": 4000.0, "energy_kcal": 950.0}  # fat has 3700 kJ, 900 kcal
_BY_UNIT = {"g": 100.0, "mg": 1e5, "µg": 1e8}
_BESIDES = {"price_per_kg": 1e6, "gluten_mg_per_kg": 1e6, "usual_max_pct": 100.0}
_SIGNED = {"colour_a": -128.0, "colour_b": -128.0}

HIGHEST: dict[str, float] = {
    **{n.name: _BY_UNIT.get(n.unit, 0.0) for n in NUTRIENTS.values()},
    **_ENERGY_HIGHEST,
    **{p.name: p.highest for p in PROPERTIES.values()},
    **_BESIDES,
}
PARTS_OF_100_G = ("water_g", "protein_g", "fat_g", "carbohydrate_g", "ash_g")
INSIDE = (
    ("fibre_g", "carbohydrate_g"),
    ("sugars_g", "carbohydrate_g"),
    ("starch_g", "carbohydrate_g"),
    ("saturated_fat_g", "fat_g"),
)
TOLERANCE_G = 3.0


def lowest_of(name: str) -> float:
    """Return the lowest value that the number `name` can have, in its unit."""
    return _SIGNED.get(name, 0.0)


def range_for(name: str, typical: float, low: float | None = None, high: float | None = None) -> Range:
    """Return the range of the number `name`, in its unit, from what is given of it.

    Without `low` and `high` the usual spread is taken, with one of them the other side has no width. Raises
    BadInputError for what cannot be true.
    """
    lowest, highest = lowest_of(name), HIGHEST[name]
    given = (typical, typical if low is None else low, typical if high is None else high)
    if not (math.isfinite(sum(given)) and lowest <= min(given) and max(given) <= highest):
        wrong = next(v for v in given if not lowest <= v <= highest or not math.isfinite(v))
        right = f"{lowest:g} or more" if wrong < lowest else f"from {lowest:g} to {highest:g}"
        raise BadInputError(f"{wrong:g} is out of range", right=f"it must be {right}")
    found = range_from_number(name, typical) if low is None and high is None else Range(given[1], typical, given[2])
    if name == "density_g_per_ml" and found.low <= 0:
        raise BadInputError(f"a density of {found.low:g} g/mL", right="it must be over 0")
    return found


def check_contents(ranges: Mapping[str, Range]) -> None:
    """Raise BadInputError, naming the nutrient, where parts (g per 100 g) do not fit into 100 g or one another."""
    total = sum(ranges[n].typical for n in PARTS_OF_100_G if n in ranges)
    if total > 100 + TOLERANCE_G:
        raise BadInputError(
            f"water, protein, fat, carbohydrate and ash add up to {total:g} g in 100 g",
            right="check for numbers per serving, or a slipped unit",
        )
    for inner, outer in INSIDE:
        if inner in ranges and outer in ranges and ranges[inner].low > ranges[outer].high + TOLERANCE_G:
            raise BadInputError(
                f"{ranges[inner].typical:g} g is more than the {ranges[outer].typical:g} g of {outer} that holds it",
                place=f"/{inner}",
                right="carbohydrate_g is counted with its fibre",
            )
