"""Which lines of a recipe a blend takes the place of: its wheat, or where it has none its own gluten-free mix."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.formulas import BLEND, OUTSIDE_DOUGH, Formula, Line, When, is_flour
from fallow_sieve.core.ingredients import Ingredient, Role, Shelf

_AHEAD = (When.LEAVEN, When.GEL, When.SOAK)


@dataclass(frozen=True, slots=True)
class Replaced:
    """Places of the lines that are replaced, and whether they are the recipe's own gluten-free mix."""

    places: tuple[int, ...]
    own_mix: bool


def replaced_lines(recipe: Formula, shelf: Shelf) -> Replaced:
    """Return the lines of the dough that a blend takes the place of: wheat flours, else the recipe's own mix.

    Places are empty where there is neither.
    """
    dough = [(n, x) for n, x in enumerate(recipe.lines) if x.when not in OUTSIDE_DOUGH and x.ingredient != BLEND]
    wheat = tuple(n for n, x in dough if is_wheat(x, shelf))
    if wheat:
        return Replaced(wheat, own_mix=False)
    mix = tuple(n for n, x in dough if belongs_to_mix(x, shelf[x.ingredient]))
    has_flour = any(shelf[recipe.lines[n].ingredient].in_flour_base for n in mix)
    return Replaced(mix if has_flour else (), own_mix=True)


def belongs_to_mix(line: Line, item: Ingredient) -> bool:
    """Return whether a line is part of a recipe's own dry mix: flour, starch or binder that is not made ahead."""
    return line.when not in _AHEAD and (item.in_flour_base or item.role is Role.BINDER)


def is_wheat(line: Line, shelf: Shelf) -> bool:
    """Return whether a line is a flour that contains gluten."""
    return line.ingredient != BLEND and shelf[line.ingredient].contains_gluten and is_flour(shelf[line.ingredient])


def flour_g(lines: Sequence[Line], shelf: Shelf) -> float:
    """Return the g of flour among `lines`, binders left out."""
    return sum(x.mass_g for x in lines if x.ingredient != BLEND and is_flour(shelf[x.ingredient]))


def thirst_of(parts: Sequence[tuple[str, float]], shelf: Shelf) -> float | None:
    """Return the thirst (g/g) of flours by slug and g; None where there are none, or one is not known."""
    flours = [(g, shelf[slug].range_of("thirst_g_per_g")) for slug, g in parts if shelf[slug].in_flour_base]
    known = [(g, r.typical) for g, r in flours if r is not None]
    return sum(g * t for g, t in known) / sum(g for g, _ in known) if known and len(known) == len(flours) else None
