"""One sweetener for another, by relative sweetness; bulk that is lost given back by the largest flour."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from fallow_sieve.core.formulas.formula import BLEND, OUTSIDE_DOUGH, Formula, Line, is_flour
from fallow_sieve.core.formulas.swaps.swap import Loss, Swap, SwapRules, Sweetener, candidates, made, per_g, short_name
from fallow_sieve.core.ingredients import Function, Ingredient, Kind, Shelf
from fallow_sieve.core.values import grams

MOISTURE = 0.4  # of the bulk that goes, in water: rule of thumb
HIGH_INTENSITY = frozenset({Function.STEVIA, Function.SUCRALOSE, Function.SACCHARIN})


def sweeteners(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one the sweeteners by sweetness for line `at`; nothing where it is none of these."""
    line = formula.lines[at]
    old = rules.sweeteners.get(shelf[line.ingredient].standard(Kind.SWEETENER) or "")
    if old is None:
        return
    for item in candidates(shelf, Kind.SWEETENER, line.ingredient):
        new = rules.sweeteners.get(item.standard(Kind.SWEETENER) or "")
        if new is None:
            continue
        mass = line.mass_g * old.sweetness.typical / new.sweetness.typical
        fresh = [replace(line, ingredient=item.slug, mass_g=mass)]
        bulk_g = mass * _dry(item) - line.mass_g * _dry(shelf[line.ingredient])
        losses = _sweet_losses(old, new)
        odd = _bulk_losses(bulk_g, line.mass_g)
        yield made("sweetener", formula, at, fresh, [*odd, *losses], shelf)
        if odd and bulk_g < 0:
            yield from _with_bulk_back(formula, at, fresh, -bulk_g, losses, shelf)


def _bulk_losses(bulk_g: float, old_g: float) -> list[Loss]:
    if abs(bulk_g) <= 0.1 * old_g:
        return []
    way = "less" if bulk_g < 0 else "more"
    return [Loss(2 if abs(bulk_g) > 0.3 * old_g else 1, f"{grams(abs(bulk_g))} {way} bulk.")]


def _with_bulk_back(
    formula: Formula, at: int, fresh: Sequence[Line], bulk_g: float, losses: Sequence[Loss], shelf: Shelf
) -> Iterator[Swap]:
    """The same with the bulk given back by the largest flour of the dough, where there is one."""
    flours = [n for n, x in enumerate(formula.lines) if _is_flour_of_dough(x, shelf)]
    if not flours or formula.lines[at].when in OUTSIDE_DOUGH:
        return
    n = max(flours, key=lambda n: formula.lines[n].mass_g)
    flour = formula.lines[n]
    what = "the blend" if flour.ingredient == BLEND else short_name(shelf[flour.ingredient])
    more = (*formula.lines[:n], replace(flour, mass_g=flour.mass_g + bulk_g), *formula.lines[n + 1 :])
    minds = [Loss(1, f"With {grams(bulk_g)} more of {what} the rest is that much weaker."), *losses]
    name = f"{shelf[fresh[0].ingredient].name}, bulk from {what}"
    water_g = _moisture(fresh[0], bulk_g, shelf)
    swap = made("sweetener", replace(formula, lines=more), at, fresh, minds, shelf, name, water_g)
    yield replace(swap, say=f"{swap.say.removesuffix('.')}, {grams(bulk_g)} more of {what}.")


def _moisture(fresh: Line, bulk_g: float, shelf: Shelf) -> float:
    """Sugar melts and keeps a crumb moist; what is hundreds of times as sweet does neither."""
    return MOISTURE * bulk_g if shelf[fresh.ingredient].function(Kind.SWEETENER) in HIGH_INTENSITY else 0.0


def _is_flour_of_dough(line: Line, shelf: Shelf) -> bool:
    return line.when not in OUTSIDE_DOUGH and (line.ingredient == BLEND or is_flour(shelf[line.ingredient]))


def _sweet_losses(old: Sweetener, new: Sweetener) -> list[Loss]:
    found = []
    if old.browns == "yes" and new.browns == "no":
        found.append(Loss(2, "It does not brown: a pale crust."))
    if new.browns == "fast":
        found.append(Loss(1, "It browns very fast: a cooler oven."))
    if old.feeds_yeast and not new.feeds_yeast:
        found.append(Loss(1, "Yeast cannot eat it."))
    if new.note:
        found.append(Loss(1, f"{new.note[0].upper()}{new.note[1:]}."))
    spread = new.sweetness.high / new.sweetness.low
    if spread > 1.2:
        found.append(Loss(1, f"Sweetness differs by kind: {new.sweetness.low:g}–{new.sweetness.high:g} of sugar's."))
    return found


def _dry(item: Ingredient) -> float:
    return 1 - per_g(item, "water_g")
