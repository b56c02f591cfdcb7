"""What stands in for egg, by binding and lift, with its water."""

from __future__ import annotations

from collections.abc import Iterator

from fallow_sieve.core.formulas.formula import WATER, Formula, Line, When
from fallow_sieve.core.formulas.swaps.swap import EggReplacer, Loss, Swap, SwapRules, made, per_g
from fallow_sieve.core.ingredients import Function, Kind, Shelf
from fallow_sieve.core.values import grams

EGG_UNIT_G = 50.0


def eggs(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one the egg replacers that could stand in for line `at`; nothing where it is none of these."""
    line = formula.lines[at]
    if not shelf[line.ingredient].function(Kind.EGG):
        return
    k = line.mass_g / EGG_UNIT_G
    for r in rules.eggs:
        fresh = _stand_in(line, r, k, shelf)
        if not fresh:
            continue
        losses = [
            Loss(1 if x > 0.6 else 2 if x > 0.3 else 3, f"{say} about {100 * x:.0f} % of an egg's.")
            for x, say in ((r.binding, "Binds"), (r.lift, "Lifts"))
            if x < 0.95
        ]
        if formula.use in r.not_for:
            losses.append(Loss(10, "Not for this use: it will not hold or lift."))
        fat_g = line.mass_g * per_g(shelf[line.ingredient], "fat_g") - sum(
            x.mass_g * per_g(shelf[x.ingredient], "fat_g") for x in fresh
        )
        if fat_g > 0.5:
            losses.append(Loss(1, f"{grams(fat_g)} of the yolk's fat, its colour and its emulsifier."))
        if r.ingredient and shelf[r.ingredient].function(Kind.BINDER) is Function.EGG_WHITE_POWDER:
            losses.append(Loss(1, "The egg allergen stays."))
        yield made("egg", formula, at, fresh, losses, shelf, r.name[0].upper() + r.name[1:])


def _stand_in(line: Line, r: EggReplacer, k: float, shelf: Shelf) -> list[Line]:
    when = When.GEL if r.name.endswith("gel") else line.when
    if not r.ingredient:
        return [Line(WATER, r.water_g * k, line.when, r.name)]
    if r.ingredient not in shelf:
        return []
    fresh = [Line(r.ingredient, r.dry_g * k, when, r.name)]
    if r.water_g:
        fresh.append(Line(WATER, r.water_g * k, when, r.name))
    return fresh
