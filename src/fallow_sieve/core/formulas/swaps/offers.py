"""Swaps: one thing for another, conserving what it was for, then repairing the water.

Fat by fat mass; sweeteners by relative sweetness; egg by binding, with its water; milk by its water; a thickener by
its power; a binder by its load; what lifts by its strength; an acid by the soda it meets. What is lost is listed, and
the candidates stand by how much that is.
"""

from __future__ import annotations

from fallow_sieve.core.formulas.formula import BLEND, Formula
from fallow_sieve.core.formulas.swaps.binders import binders
from fallow_sieve.core.formulas.swaps.dairy import dairy
from fallow_sieve.core.formulas.swaps.eggs import eggs
from fallow_sieve.core.formulas.swaps.fats import fats
from fallow_sieve.core.formulas.swaps.lifting import lifting
from fallow_sieve.core.formulas.swaps.milks import milks
from fallow_sieve.core.formulas.swaps.swap import Swap, SwapRules
from fallow_sieve.core.formulas.swaps.sweeteners import sweeteners
from fallow_sieve.core.formulas.swaps.thickeners import thickeners
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.values import BadInputError


def swaps_for(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> tuple[Swap, ...]:
    """Return the candidates for the line at index `at`, the one that loses least first; empty where there is none.

    Those of the larder, which are in no bin, come after the kitchen's own.

    Raises BadInputError for a line that is not there or that is the blend.
    """
    if not 0 <= at < len(formula.lines):
        raise BadInputError(f"there is no line {at}", place="/at", right=f"from 0 to {len(formula.lines) - 1}")
    line = formula.lines[at]
    if line.ingredient == BLEND:
        raise BadInputError("the blend is not swapped here", place="/at", right="change the blend on its own bench")
    found = [s for family in _FAMILIES for s in family(formula, at, shelf, rules)]
    return tuple(sorted(found, key=lambda s: (s.in_larder, s.lost, s.name)))


_FAMILIES = (fats, sweeteners, eggs, milks, dairy, thickeners, binders, lifting)
