"""One fat for another, by fat mass; at most half of it by a purée."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from fallow_sieve.core.formulas.formula import OUTSIDE_DOUGH, Formula, Line, When
from fallow_sieve.core.formulas.swaps.swap import Loss, Swap, SwapRules, candidates, made, per_g, short_name
from fallow_sieve.core.ingredients import SOLID_FATS, Function, Kind, Shelf
from fallow_sieve.core.values import grams


def fats(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one the fats by fat mass for line `at`; nothing where it is none of these."""
    line = formula.lines[at]
    old = shelf[line.ingredient].function(Kind.FAT)
    if old is None:
        return
    fat_g = line.mass_g * per_g(shelf[line.ingredient], "fat_g")
    for item in candidates(shelf, Kind.FAT, line.ingredient):
        share, new = per_g(item, "fat_g"), item.function(Kind.FAT)
        if share > 0 and new is not None:
            fresh = [replace(line, ingredient=item.slug, mass_g=fat_g / share)]
            yield made("fat", formula, at, fresh, _losses(old, new, rules), shelf)
    yield from _half_purees(formula, at, shelf)


def _losses(old: Function, new: Function, rules: SwapRules) -> list[Loss]:
    found = []
    if old in SOLID_FATS and new not in SOLID_FATS:
        found.append(Loss(3, "A liquid fat cannot be creamed or rubbed in: less lift, and crumb instead of flake."))
    if old not in SOLID_FATS and new in SOLID_FATS:
        found.append(Loss(1, "A solid fat has to be melted, and sets firmer when cold."))
    goes, comes = rules.fats.get(old), rules.fats.get(new)
    if goes is not None and goes.lost and new is not old:
        found.append(Loss(goes.lost_weight, goes.lost))
    if comes is not None and comes.brought:
        found.append(Loss(comes.brought_weight, comes.brought))
    return found


def _half_purees(formula: Formula, at: int, shelf: Shelf) -> Iterator[Swap]:
    """At most half of a fat by purée or yoghurt, gram for gram."""
    line = formula.lines[at]
    half = line.mass_g / 2
    lost_g = half * per_g(shelf[line.ingredient], "fat_g")
    for item in candidates(shelf, Kind.FAT_REPLACER, line.ingredient):
        fresh = [replace(line, ingredient=item.slug, mass_g=half, when=_wet(line)), replace(line, mass_g=half)]
        losses = [
            Loss(2, f"Half of the fat, {grams(lost_g)}: less short and less brown. Never more than half."),
            Loss(1, "Keeps for a shorter time."),
        ]
        yield made("fat", formula, at, fresh, losses, shelf, f"Half {short_name(item)}")


def _wet(line: Line) -> When:
    return line.when if line.when in OUTSIDE_DOUGH else When.WET
