"""Cream for cream, cheese for cheese, gram for gram; soured milk for its like, or for milk with an acid in it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from fallow_sieve.core.formulas.formula import Formula, Line
from fallow_sieve.core.formulas.swaps.swap import Loss, Swap, SwapRules, candidates, made, per_g
from fallow_sieve.core.ingredients import Function, Ingredient, Kind, Shelf
from fallow_sieve.core.values import grams

_GRAM_FOR_GRAM = (Kind.CREAM, Kind.SOFT_CHEESE, Kind.HARD_CHEESE)
_ACID, _ACID_SHARE = "lemon-juice", 0.06  # a tablespoon to a cup; rule of thumb
_LEAST_G = 0.5


def dairy(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one what could stand in for a cream, a cheese or a soured milk at line `at`; nothing elsewhere."""
    line = formula.lines[at]
    item = shelf[line.ingredient]
    for kind in _GRAM_FOR_GRAM:
        if item.function(kind):
            for new in candidates(shelf, kind, line.ingredient):
                fresh = replace(line, ingredient=new.slug)
                yield made("dairy", formula, at, [fresh], _losses(line, item, new), shelf)
    if item.function(Kind.ACID) is Function.SOUR_MILK:
        yield from _soured(formula, at, shelf)


def _losses(line: Line, old: Ingredient, new: Ingredient) -> list[Loss]:
    found = []
    for nutrient, lost, won in (
        ("fat_g", "less fat: less tender, and it curdles sooner", "more fat: richer, and softer when cold"),
        ("protein_g", "less protein: it sets and browns less", ""),
    ):
        change = line.mass_g * (per_g(new, nutrient) - per_g(old, nutrient))
        say = won if change > 0 else lost
        if say and abs(change) > max(_LEAST_G, 0.1 * line.mass_g * (nutrient == "fat_g")):
            found.append(Loss(2 if abs(change) > 0.2 * line.mass_g else 1, f"{grams(abs(change))} {say}."))
    return found


def _soured(formula: Formula, at: int, shelf: Shelf) -> Iterator[Swap]:
    line = formula.lines[at]
    old = shelf[line.ingredient]
    for new in candidates(shelf, Kind.ACID, line.ingredient):
        if new.function(Kind.ACID) is Function.SOUR_MILK:
            yield made("dairy", formula, at, [replace(line, ingredient=new.slug)], _losses(line, old, new), shelf)
    if _ACID not in shelf:
        return
    for milk in candidates(shelf, Kind.MILK, line.ingredient):
        acid = replace(line, ingredient=_ACID, mass_g=_ACID_SHARE * line.mass_g)
        fresh = [replace(line, ingredient=milk.slug, mass_g=line.mass_g - acid.mass_g), acid]
        losses = [Loss(1, "Stir the acid in and wait ten minutes: thinner and milder than what was soured.")]
        yield made("dairy", formula, at, fresh, [*losses, *_losses(line, old, milk)], shelf, f"{milk.name}, soured")
