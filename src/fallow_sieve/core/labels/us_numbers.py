"""What a table of the United States wants beyond a mix's own numbers: added sugars, vitamin D, cholesterol, trans fat.

Plants hold no cholesterol and no vitamin D, and flours and starches no trans fat to speak of (rules of thumb); of a mix
with egg, milk or fat in it they are not known here, and the table is held rather than guessed.
"""

from __future__ import annotations

from collections.abc import Mapping

from fallow_sieve.core.blends import Analysis
from fallow_sieve.core.ingredients import Ingredient, Kind, Shelf
from fallow_sieve.core.values import UNKNOWN, Estimate

_ANIMAL = frozenset({"egg", "milk", "fish"})
_NOTHING = Estimate(0.0, 0.0, 0.0, 100.0)


def with_us_numbers(analysis: Analysis, shelf: Shelf) -> Mapping[str, Estimate]:
    """Return the nutrients of a mix per 100 g with what follows of it for the United States."""
    items = [shelf[p.ingredient] for p in analysis.parts]
    of_plants = _NOTHING if not any(_is_animal(i) for i in items) else UNKNOWN
    fatless = _NOTHING if not any(i.function(Kind.FAT) for i in items) else UNKNOWN
    return {
        **analysis.nutrients,
        "vitamin_d_ug": of_plants,
        "cholesterol_mg": of_plants,
        "trans_fat_g": fatless if of_plants.is_known else UNKNOWN,
        "added_sugars_g": _added(analysis, shelf),
    }


def _is_animal(item: Ingredient) -> bool:
    return bool(_ANIMAL & set(item.allergens)) or "animal" in item.watch


def _added(analysis: Analysis, shelf: Shelf) -> Estimate:
    """The sugars of what is put in to sweeten."""
    total = 0.0
    for part in analysis.parts:
        item = shelf[part.ingredient]
        if item.function(Kind.SWEETENER) is None:
            continue
        sugars = item.range_of("sugars_g")
        if sugars is None:
            return UNKNOWN
        total += part.mix_pct / 100 * sugars.typical
    return Estimate(total, total, total, 100.0)
