"""What stands in for egg, by binding and lift, with its water."""

from __future__ import annotations

from collections.abc import Iterator

from fallow_sieve.core.blends import DOUBLE_DOSE_LOAD, GOOD_LOAD
from fallow_sieve.core.formulas.formula import OUTSIDE_DOUGH, WATER, Formula, Line, When, is_flour, opened
from fallow_sieve.core.formulas.swaps.swap import EggReplacer, Loss, Swap, SwapRules, made, per_g
from fallow_sieve.core.ingredients import Function, Kind, Shelf
from fallow_sieve.core.values import grams

EGG_UNIT_G = 50.0
LEAST_LOAD = 0.35  # where so little binds, what replaces the egg is the binder
LEAST_SHARE = 0.25


def eggs(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one the egg replacers that could stand in for line `at`; nothing where it is none of these."""
    line = formula.lines[at]
    if not shelf[line.ingredient].function(Kind.EGG):
        return
    k = line.mass_g / EGG_UNIT_G
    for r in rules.eggs:
        share = _room(formula, at, r, k, shelf, rules)
        fresh = _stand_in(line, r, k, share, shelf)
        if not fresh:
            continue
        losses = [
            Loss(1 if x > 0.6 else 2 if x > 0.3 else 3, f"{say} about {100 * x:.0f} % of an egg's.")
            for x, say in ((r.binding, "Binds"), (r.lift, "Lifts"))
            if x < 0.95
        ]
        if share < 1:
            full = grams(r.dry_g * k)
            losses.append(
                Loss(2, f"Offers less than the {full} for so much egg: with the binder in, that doubles the dose.")
            )
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


def _room(formula: Formula, at: int, r: EggReplacer, k: float, shelf: Shelf, rules: SwapRules) -> float:
    """The share of a replacer that there is room for beside the binders that are in: 1, or down to a quarter.

    One that would bring the load over the double dose is cut to what is still good.
    """
    rest = [x for n, x in enumerate(formula.lines) if n != at and x.when not in OUTSIDE_DOUGH]
    parts = [(shelf[p.ingredient], p.mass_g) for p in opened(rest, formula.blend)] if rest else []
    flour_g = sum(m for i, m in parts if is_flour(i))
    dose = rules.doses.get(shelf[r.ingredient].standard(Kind.BINDER) or "") if r.ingredient in shelf else None
    if dose is None or flour_g <= 0:
        return 1.0
    in_g = [(rules.doses[s].typical_pct, m) for i, m in parts if (s := i.standard(Kind.BINDER) or "") in rules.doses]
    load = sum(100 * m / flour_g / typical for typical, m in in_g)
    added = 100 * r.dry_g * k / flour_g / dose.typical_pct
    if load < LEAST_LOAD or load + added <= DOUBLE_DOSE_LOAD:
        return 1.0
    return min(1.0, max(LEAST_SHARE, (GOOD_LOAD[1] - load) / added))


def _stand_in(line: Line, r: EggReplacer, k: float, share: float, shelf: Shelf) -> list[Line]:
    when = When.GEL if r.name.endswith("gel") else line.when
    if not r.ingredient:
        return [Line(WATER, r.water_g * k, line.when, r.name)]
    if r.ingredient not in shelf:
        return []
    fresh = [Line(r.ingredient, r.dry_g * k * share, when, r.name)]
    if r.water_g:
        fresh.append(Line(WATER, r.water_g * k, when, r.name))
    return fresh
