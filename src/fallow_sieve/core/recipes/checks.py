"""Checks on what was pasted: temperatures that contradict, slipped units, twins that cannot both be, look-alikes."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.baking import GasMark, OvenMention, oven_clashes
from fallow_sieve.core.formulas import TOO_MUCH, UsualShare, is_flour
from fallow_sieve.core.ingredients import LookAlike, Role, Shelf
from fallow_sieve.core.recipes.lines import ReadLine
from fallow_sieve.core.recipes.reading import ReadRecipe

DENSITY_LOW, DENSITY_HIGH = 0.2, 1.7


@dataclass(frozen=True, slots=True)
class RecipeCheck:
    """One finding: its kind, the line it stands on (from 1), the column if known, and what is odd, in a sentence."""

    kind: str
    line: int
    column: int | None
    say: str


def check_recipe(
    recipe: ReadRecipe, shelf: Shelf, marks: Sequence[GasMark], usual: Sequence[UsualShare], alike: Sequence[LookAlike]
) -> tuple[RecipeCheck, ...]:
    """Return what is odd about a recipe, in the order of its lines. Nothing is changed by it."""
    found = [
        *_ovens(recipe.ovens, marks),
        *(f for x in recipe.lines for f in _twin(x, shelf)),
        *_slips(recipe, shelf),
        *_shares(recipe, shelf, usual),
        *_look_alikes(recipe, shelf, alike),
    ]
    return tuple(sorted(found, key=lambda f: (f.line, f.column or 0)))


def _ovens(mentions: Sequence[OvenMention], marks: Sequence[GasMark]) -> list[RecipeCheck]:
    return [RecipeCheck("temperature", c.line, c.column, c.say) for c in oven_clashes(mentions, marks)]


def _twin(x: ReadLine, shelf: Shelf) -> list[RecipeCheck]:
    """A mass whose volume twin makes it 0.2 to 1.7 times as dense as the ingredient is believed; outside it is not."""
    if x.mass_twin is None or not x.volume_twin_ml or x.ingredient is None:
        return []
    density = shelf[x.ingredient].range_of("density_g_per_ml")
    if density is None:
        return []
    implied = x.mass_twin.typical / x.volume_twin_ml
    ratio = implied / density.typical
    if DENSITY_LOW <= ratio <= DENSITY_HIGH:
        return []
    fair = x.volume_twin_ml * density.typical
    return [
        RecipeCheck(
            "twin",
            x.number,
            None,
            f"“{x.text}”: that volume of it weighs about {fair:.0f} g, not {x.mass_twin.typical:.3g} g. "
            "One of the two slipped.",
        )
    ]


def _slips(recipe: ReadRecipe, shelf: Shelf) -> list[RecipeCheck]:
    """A unit a thousand times too small or large beside the rest of the recipe."""
    masses = [(x, x.mass.typical) for x in recipe.lines if x.mass is not None and x.ingredient]
    flour = sum(m for x, m in masses if x.ingredient and is_flour(shelf[x.ingredient]) and x.unit != "mg")
    found = []
    for x, mass in masses:
        assert x.ingredient is not None
        wet_or_flour = is_flour(shelf[x.ingredient]) or x.kind == "volume"
        if x.unit == "mg" and (wet_or_flour or mass * 1000 < flour):
            found.append(
                RecipeCheck("unit", x.number, None, f"“{x.text}”: mg where g is usual? {mass * 1000:.3g} g would fit.")
            )
        elif flour > 0 and x.unit in ("l", "kg") and mass > 10 * flour and mass / 1000 < 3 * flour:
            small = {"l": "ml", "kg": "g"}[x.unit]
            found.append(
                RecipeCheck(
                    "unit",
                    x.number,
                    None,
                    f"“{x.text}”: {x.unit} where {small} is usual? It is {mass / flour:.0f} times the flour.",
                )
            )
        elif flour > 0 and x.unit == "ml" and 0 < mass < 0.002 * flour and shelf[x.ingredient].slug == "water":
            found.append(RecipeCheck("unit", x.number, None, f"“{x.text}”: ml where l is usual?"))
    return found


def _shares(recipe: ReadRecipe, shelf: Shelf, usual: Sequence[UsualShare]) -> list[RecipeCheck]:
    by = {u.ingredient: u for u in usual}
    flour = sum(x.mass.typical for x in recipe.lines if x.mass and x.ingredient and is_flour(shelf[x.ingredient]))
    if flour <= 0:
        return []
    lines = [(x, by[x.ingredient], 100 * x.mass.typical / flour) for x in recipe.lines if x.ingredient in by and x.mass]
    return [f for x, rule, pct in lines if (f := _share(x, rule, pct))]


def _share(x: ReadLine, rule: UsualShare, pct: float) -> RecipeCheck | None:
    if pct >= TOO_MUCH * rule.typical_pct:
        say = f"{pct:.0f} % of the flour is {pct / rule.typical_pct:.0f} times the usual {rule.typical_pct:g} %."
        return RecipeCheck("share", x.number, None, f"“{x.text}”: {say}")
    if x.unit == "tablespoon" and pct > rule.high_pct:
        say = f"a tablespoon where a teaspoon is usual? {pct:.1f} % of the flour; commonly {rule.high_pct:g} % at most."
        return RecipeCheck("unit", x.number, None, f"“{x.text}”: {say}")
    return None


def _look_alikes(recipe: ReadRecipe, shelf: Shelf, alike: Sequence[LookAlike]) -> list[RecipeCheck]:
    """Names that are sold for something else too; wheat flour is what the recipe is about, and is not asked about."""
    found = []
    for x in recipe.lines:
        item = shelf[x.ingredient] if x.ingredient else None
        if item is None or item.contains_gluten or not (item.in_flour_base or item.role is Role.BINDER):
            continue
        for pair in alike:
            if item.slug == pair.ingredient:
                other = shelf[pair.taken_for].name.lower()
                say = f"“{x.name}” is read as {item.name.lower()}, not {other}. {pair.differ}"
                found.append(RecipeCheck("look-alike", x.number, None, say))
    return found
