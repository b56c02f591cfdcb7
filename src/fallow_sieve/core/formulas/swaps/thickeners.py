"""One thickener for another, by its power."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from fallow_sieve.core.formulas.formula import OUTSIDE_DOUGH, Formula
from fallow_sieve.core.formulas.gauges import SAUCE
from fallow_sieve.core.formulas.swaps.swap import Loss, Swap, SwapRules, candidates, made
from fallow_sieve.core.ingredients import Kind, Shelf
from fallow_sieve.core.values import grams


def thickeners(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    """Give one by one the thickeners by power that could stand in for line `at`; nothing where it is none of these."""
    line = formula.lines[at]
    old = rules.thickeners.get(shelf[line.ingredient].standard(Kind.THICKENER) or "")
    # In a dough a starch is flour; it is a thickener in a sauce, a filling or a finish.
    if old is None or (formula.use != SAUCE and line.when not in OUTSIDE_DOUGH):
        return
    for item in candidates(shelf, Kind.THICKENER, line.ingredient):
        new = rules.thickeners.get(item.standard(Kind.THICKENER) or "")
        if new is None:
            continue
        mass = line.mass_g * old.power.typical / new.power.typical
        losses = (
            [Loss(1, f"Now {new.look}, on cooling {new.on_cooling}.")]
            if (new.look, new.on_cooling) != (old.look, old.on_cooling)
            else []
        )
        if new.power.high / new.power.low > 1.4:
            low, high = (line.mass_g * old.power.typical / p for p in (new.power.high, new.power.low))
            losses.append(Loss(1, f"Its power differs by kind: {grams(low)} to {grams(high)}."))
        if new.note:
            losses.append(Loss(1, f"{new.note[0].upper()}{new.note[1:]}."))
        yield made("thickener", formula, at, [replace(line, ingredient=item.slug, mass_g=mass)], losses, shelf)
