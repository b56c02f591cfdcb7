"""One binder for another, at the same load."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from fallow_sieve.core.formulas.binder_choice import Converted, convert_binder
from fallow_sieve.core.formulas.formula import OUTSIDE_DOUGH, Formula
from fallow_sieve.core.formulas.swaps.swap import Loss, Swap, SwapRules, candidates, made
from fallow_sieve.core.ingredients import Kind, Shelf
from fallow_sieve.core.values import grams


def binders(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one the binders at the same load for line `at`; nothing where it is none of these."""
    line = formula.lines[at]
    old = shelf[line.ingredient].standard(Kind.BINDER)
    if old not in rules.doses or line.when in OUTSIDE_DOUGH:
        return
    for item in candidates(shelf, Kind.BINDER, line.ingredient):
        new = item.standard(Kind.BINDER)
        if new not in rules.doses or new is None or old is None:
            continue
        done = convert_binder(line.mass_g, old, new, rules.doses)
        held = {slug: r.typical for slug, r in rules.holds.items()}
        more = done.mass_g * held.get(new, 0.0) - line.mass_g * held.get(old, 0.0)
        fresh = [replace(line, ingredient=item.slug, mass_g=done.mass_g)]
        yield made("binder", formula, at, fresh, _losses(done, more), shelf, more_g=more)


def _losses(done: Converted, more_g: float) -> list[Loss]:
    found = [Loss(1, m) for m in done.minds]
    if done.high_g / max(done.low_g, 1e-9) > 1.5:
        found.append(Loss(1, f"The dose is a rule of thumb: {grams(done.low_g)} to {grams(done.high_g)}."))
    if abs(more_g) > 1:
        found.append(Loss(1, f"It holds {grams(abs(more_g))} {'more' if more_g > 0 else 'less'} water."))
    return found
