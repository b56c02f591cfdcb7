"""A recipe made with a blend: every change one line, with its reason and its size, and a switch.

The changes go on one after the other, each on what the ones before left; a change that is switched off leaves the
lines as they are. Rules of thumb; see docs/method.md.
"""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import replace

from fallow_sieve.core.formulas import Formula
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.recipes.making_over.advice import mixing, poor_candidates_in, rest, tin
from fallow_sieve.core.recipes.making_over.flour import egg, elsewhere, flour, raising
from fallow_sieve.core.recipes.making_over.flour_lines import replaced_lines
from fallow_sieve.core.recipes.making_over.giving_back import binder, leavening, own_binder, water
from fallow_sieve.core.recipes.making_over.gluten_left import gluten_left
from fallow_sieve.core.recipes.making_over.steps import Conversion, ConversionRules, Making
from fallow_sieve.core.values import BadInputError

_STEPS = (flour, raising, egg, own_binder, binder, leavening, water, elsewhere, gluten_left, rest, mixing, tin)


def convert(
    recipe: Formula, shelf: Shelf, rules: ConversionRules, off: Collection[str] = (), text: str = ""
) -> Conversion:
    """Return `recipe` (flour and all, with the chosen blend pinned) made over for the blend; masses in g.

    Wheat flour is replaced, else the recipe's own gluten-free mix. `off` are keys of changes to leave out; `text` is
    the recipe's own words, read for bakes that need gluten. Raises BadInputError where there is no flour, or no blend.
    """
    if not recipe.blend:
        raise BadInputError("no blend is chosen", place="/blend", right="choose the blend that takes the flour's place")
    found = replaced_lines(recipe, shelf)
    if not found.places:
        raise BadInputError("there is no flour in the recipe", place="/lines", right="mark which line is the flour")
    making = Making(recipe, found, shelf, rules)
    state = replace(recipe, use=rules.use.slug, school=rules.school)
    changes = []
    for one in _STEPS:
        done = one(state, making)
        if done is None:
            continue
        change, after = done
        on = change.change.what not in off
        changes.append(replace(change, on=on))
        state = after if on else state
    poor = () if found.own_mix else poor_candidates_in(f"{text} {recipe.name}", rules.poor)
    return Conversion(state, tuple(changes), poor, found.own_mix)
