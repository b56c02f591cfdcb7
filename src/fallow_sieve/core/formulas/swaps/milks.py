"""One milk for another, or water, by its water."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from fallow_sieve.core.formulas.formula import WATER, Formula, Line
from fallow_sieve.core.formulas.swaps.swap import Loss, Swap, SwapRules, candidates, made, per_g
from fallow_sieve.core.ingredients import Kind, Shelf
from fallow_sieve.core.values import grams


def milks(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one the milks by their water that could stand in for line `at`; nothing where it is none of these."""
    line = formula.lines[at]
    if not shelf[line.ingredient].function(Kind.MILK):
        return
    water_g = line.mass_g * per_g(shelf[line.ingredient], "water_g")
    for slug in (*(i.slug for i in candidates(shelf, Kind.MILK, line.ingredient)), WATER):
        share = per_g(shelf[slug], "water_g") if slug in shelf else 0.0
        if slug == line.ingredient or share <= 0:
            continue
        fresh = [replace(line, ingredient=slug, mass_g=water_g / share)]
        yield made("milk", formula, at, fresh, _milk_losses(line, fresh[0], shelf), shelf)


def _milk_losses(old: Line, new: Line, shelf: Shelf) -> list[Loss]:
    found = []
    for nutrient, what in (
        ("protein_g", "protein: a weaker crust and crumb"),
        ("sugars_g", "sugars: paler"),
        ("fat_g", "fat: less tender"),
    ):
        lost = old.mass_g * per_g(shelf[old.ingredient], nutrient) - new.mass_g * per_g(shelf[new.ingredient], nutrient)
        if lost > 0.3 * old.mass_g * per_g(shelf[old.ingredient], nutrient) and lost > 0.2:
            found.append(Loss(1, f"{grams(lost)} {what}."))
    return found
