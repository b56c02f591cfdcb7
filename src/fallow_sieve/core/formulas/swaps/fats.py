"""One fat for another, by fat mass; at most half of it by a purée."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from fallow_sieve.core.formulas.formula import OUTSIDE_DOUGH, Formula, Line, Stage
from fallow_sieve.core.formulas.swaps.swap import Loss, Swap, SwapRules, made, per_g, short_name
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.words import grams

FATS = ("unsalted-butter", "ghee", "coconut-oil", "lard", "shortening", "vegetable-oil", "olive-oil")
PUREES = ("apple-puree", "plain-yoghurt", "mashed-avocado")
SOLID = frozenset({"unsalted-butter", "ghee", "coconut-oil", "lard", "shortening"})


def fats(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one the fats by fat mass that could stand in for line `at`; nothing where it is none of these."""
    line = formula.lines[at]
    if line.ingredient not in FATS:
        return
    fat_g = line.mass_g * per_g(shelf[line.ingredient], "fat_g")
    for slug in FATS:
        share = per_g(shelf[slug], "fat_g") if slug in shelf else 0.0
        if slug == line.ingredient or share <= 0:
            continue
        yield made(
            "fat",
            formula,
            at,
            [replace(line, ingredient=slug, mass_g=fat_g / share)],
            _fat_losses(line.ingredient, slug),
            shelf,
        )
    yield from _half_purees(formula, at, shelf)


def _fat_losses(old: str, new: str) -> list[Loss]:
    found = []
    if old in SOLID and new not in SOLID:
        found.append(Loss(3, "A liquid fat cannot be creamed or rubbed in: less lift, and crumb instead of flake."))
    if old not in SOLID and new in SOLID:
        found.append(Loss(1, "A solid fat has to be melted, and sets firmer when cold."))
    if old == "unsalted-butter":
        found.append(Loss(1, "Butter's flavour and its milk solids that brown."))
    if new == "lard":
        found.append(Loss(2, "Of animal origin: not for vegetarians, and not for some tables."))
    if new == "coconut-oil":
        found.append(Loss(1, "Sets hard when cold; unrefined, it tastes of coconut."))
    if new == "olive-oil":
        found.append(Loss(1, "Tastes of olives."))
    return found


def _half_purees(formula: Formula, at: int, shelf: Shelf) -> Iterator[Swap]:
    """At most half of a fat by purée or yoghurt, gram for gram."""
    line = formula.lines[at]
    half = line.mass_g / 2
    lost_g = half * per_g(shelf[line.ingredient], "fat_g")
    for slug in PUREES:
        if slug in shelf:
            fresh = [replace(line, ingredient=slug, mass_g=half, stage=_wet(line)), replace(line, mass_g=half)]
            losses = [
                Loss(2, f"Half of the fat, {grams(lost_g)}: less short and less brown. Never more than half."),
                Loss(1, "Keeps for a shorter time."),
            ]
            name = f"Half {short_name(shelf[slug])}"
            yield made("fat", formula, at, fresh, losses, shelf, name)


def _wet(line: Line) -> Stage:
    return line.stage if line.stage in OUTSIDE_DOUGH else Stage.WET
