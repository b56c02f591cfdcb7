"""What lifts, for what lifts: yeasts by strength, soda for powder; an acid for another by the soda that it meets."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from fallow_sieve.core.blends import AMOUNTS
from fallow_sieve.core.formulas.formula import OUTSIDE_DOUGH, Formula, Line
from fallow_sieve.core.formulas.swaps.swap import Loss, Swap, SwapRules, candidates, made
from fallow_sieve.core.ingredients import Function, Ingredient, Kind, Shelf

_YEASTS, _POWDERS = AMOUNTS["yeast_pct"], AMOUNTS["chemical_leavening_pct"]
_TARTAR = "cream-of-tartar"
_SODA = "baking-soda"


def lifting(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one what could stand in for a yeast, a powder, soda or an acid at line `at`; nothing elsewhere."""
    item = shelf[formula.lines[at].ingredient]
    yeast, powder, acid = (item.function(k) for k in (Kind.YEAST, Kind.POWDER, Kind.ACID))
    if yeast is not None:
        yield from _yeasts(formula, at, shelf, _YEASTS[yeast])
    if powder is not None:
        yield from _powders(formula, at, shelf, powder, rules)
    if acid is not None and acid in rules.acids and acid is not Function.SOUR_MILK:
        yield from _acids(formula, at, shelf, acid, rules)


def _yeasts(formula: Formula, at: int, shelf: Shelf, strength: float) -> Iterator[Swap]:
    line = formula.lines[at]
    for new in candidates(shelf, Kind.YEAST, line.ingredient):
        function = new.function(Kind.YEAST)
        if function is not None:
            mass = line.mass_g * strength / _YEASTS[function]
            wakes = "instant" not in new.name.lower()
            losses = [Loss(1, "It wants to be stirred into the warm liquid first.")] if wakes else []
            yield made("yeast", formula, at, [replace(line, ingredient=new.slug, mass_g=mass)], losses, shelf)


def _powders(formula: Formula, at: int, shelf: Shelf, old: Function, rules: SwapRules) -> Iterator[Swap]:
    """Powder for powder gram for gram, soda for three times its powder, powder as soda with the tartar it needs."""
    line = formula.lines[at]
    for new in candidates(shelf, Kind.POWDER, line.ingredient):
        function = new.function(Kind.POWDER)
        if function is None:
            continue
        mass = line.mass_g * _POWDERS[old] / _POWDERS[function]
        if function is old:
            yield made("leavening", formula, at, [replace(line, ingredient=new.slug, mass_g=mass)], [], shelf)
        elif old is Function.BAKING_SODA:
            losses = [Loss(1, "What acid is in the dough stays unmet: sharper, and paler.")]
            yield made("leavening", formula, at, [replace(line, ingredient=new.slug, mass_g=mass)], losses, shelf)
        elif new.slug == _SODA and _TARTAR in shelf and rules.acids.get(Function.CREAM_OF_TARTAR):
            tartar = replace(line, ingredient=_TARTAR, mass_g=mass / rules.acids[Function.CREAM_OF_TARTAR])
            losses = [Loss(1, "It works once, as soon as it is wet: bake without delay.")]
            fresh = [replace(line, ingredient=new.slug, mass_g=mass), tartar]
            yield made("leavening", formula, at, fresh, losses, shelf, "Soda and cream of tartar")


def _acids(formula: Formula, at: int, shelf: Shelf, old: Function, rules: SwapRules) -> Iterator[Swap]:
    line = formula.lines[at]
    if line.when in OUTSIDE_DOUGH:
        return
    for new in candidates(shelf, Kind.ACID, line.ingredient):
        function = new.function(Kind.ACID)
        if function in (Function.VINEGAR, Function.CREAM_OF_TARTAR) and function in rules.acids:
            mass = line.mass_g * rules.acids[old] / rules.acids[function]
            yield made("acid", formula, at, [_as(line, new, mass)], _acid_losses(old, function), shelf)


def _as(line: Line, new: Ingredient, mass_g: float) -> Line:
    return replace(line, ingredient=new.slug, mass_g=mass_g)


def _acid_losses(old: Function, new: Function) -> list[Loss]:
    if old is Function.COCOA:
        return [Loss(3, "Its colour and taste: it stands in for the acid of cocoa alone.")]
    return [] if new is old else [Loss(1, "Dry acid and wet act at other moments: mix it through the flour.")]
