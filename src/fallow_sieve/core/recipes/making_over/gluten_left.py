"""What else of a recipe contains gluten: changed for its like where there is one, named where there is none."""

from __future__ import annotations

from dataclasses import replace

from fallow_sieve.core.formulas import BLEND, Formula, is_flour
from fallow_sieve.core.ingredients import Ingredient, Kind
from fallow_sieve.core.recipes.making_over.steps import Making, Step, step


def gluten_left(state: Formula, m: Making) -> Step:
    """Return what contains gluten and is no flour changed for the usual of its function; name what has none."""
    lines, changed, named, size = list(state.lines), [], [], 0.0
    for n, x in enumerate(state.lines):
        item = m.shelf[x.ingredient] if x.ingredient != BLEND else None
        if item is None or not item.contains_gluten or is_flour(item):
            continue
        like = _like(item, m)
        if like is None:
            named.append(item.name.lower())
        else:
            lines[n] = replace(x, ingredient=like.slug)
            changed.append(f"{item.name} → {like.name.lower()}, the same grams")
            size += x.mass_g
    if not changed and not named:
        return None
    still = [f"{' and '.join(named)} still: find one without, or leave it out"] if named else []
    say = f"{'; '.join([*changed, *still])}."
    return step("gluten", say[0].upper() + say[1:], "It contains gluten.", size or None), replace(
        state, lines=tuple(lines)
    )


def _like(item: Ingredient, m: Making) -> Ingredient | None:
    """What usually does the work of `item`, where that is there and free of gluten."""
    usual = [slug for kind in Kind if (slug := item.standard(kind)) and slug in m.shelf]
    return next((m.shelf[slug] for slug in usual if not m.shelf[slug].contains_gluten), None)
