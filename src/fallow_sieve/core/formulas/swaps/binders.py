"""One binder for another, at the same load."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from fallow_sieve.core.formulas.binder_choice import convert_binder
from fallow_sieve.core.formulas.formula import OUTSIDE_DOUGH, Formula
from fallow_sieve.core.formulas.swaps.swap import Loss, Swap, SwapRules, made
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.words import grams


def binders(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one the binders at the same load for line `at`; nothing where it is none of these."""
    line = formula.lines[at]
    if line.ingredient not in rules.doses or line.stage in OUTSIDE_DOUGH:
        return
    for slug in rules.doses:
        if slug == line.ingredient or slug not in shelf:
            continue
        done = convert_binder(line.mass_g, line.ingredient, slug, rules.doses)
        more = done.mass_g * rules.holds.get(slug, 0.0) - line.mass_g * rules.holds.get(line.ingredient, 0.0)
        losses = [Loss(1, m) for m in done.minds]
        if done.high_g / max(done.low_g, 1e-9) > 1.5:
            losses.append(Loss(1, f"The dose is a rule of thumb: {grams(done.low_g)} to {grams(done.high_g)}."))
        if abs(more) > 1:
            losses.append(Loss(1, f"It holds {grams(abs(more))} {'more' if more > 0 else 'less'} water."))
        yield made(
            "binder", formula, at, [replace(line, ingredient=slug, mass_g=done.mass_g)], losses, shelf, more_g=more
        )
