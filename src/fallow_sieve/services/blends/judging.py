"""Blends at work: judged, composed, compared, explained, in and out of files."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import (
    Blend,
    Difference,
    Explanation,
    Judgement,
    Part,
    add_part,
    analyse,
    check_parts,
    difference,
    drawing_on,
    explain,
    judge,
    of_mix,
    scale_to,
    set_flour_share,
)
from fallow_sieve.core.ingredients import Ingredient, OnBasis, Shelf
from fallow_sieve.core.values import BadInputError, parse_basis
from fallow_sieve.reference import library_shelf, rules
from fallow_sieve.services.kitchen import KitchenNow, use_named, use_within


def judged_blend(blend: Blend, kitchen: KitchenNow) -> Judgement:
    """Return the judgement of `blend` for its use in `kitchen`. Raises BadInputError, also for an unknown use."""
    return judge(blend, kitchen.shelf, use_within(blend.use, kitchen.limits), rules(), kitchen.setting)


def check_blend(blend: Blend, shelf: Shelf) -> None:
    """Raise BadInputError unless its use is known and its parts can be used; an empty blend is where each begins."""
    use_named(blend.use)
    if blend.parts:
        check_parts(blend.parts, shelf, "/content/parts")


def explained(blend: Blend, metric: str, kitchen: KitchenNow) -> Explanation:
    """Return how `metric` of `blend` was worked out. Raises UnknownNameError, also for an unknown use."""
    use = use_named(blend.use)
    return explain(blend, kitchen.shelf, metric, kitchen.cup, use.doses if use else None)


def changed(before: Sequence[Part], after: Sequence[Part], kitchen: KitchenNow) -> Difference:
    """Return what changed from one blend to another, parts in g, shares in % of flour base."""
    was, now = (analyse(Blend(tuple(p)), kitchen.shelf, kitchen.cup) for p in (before, after))
    return difference(was, now)


@dataclass(frozen=True, slots=True)
class Composing:
    """A change to a blend: a share set (% of flour base), a batch scaled (g), or an ingredient added for a use."""

    action: str
    ingredient: str | None
    value: float | None
    use: str | None


def composed(parts: Sequence[Part], asked: Composing, shelf: Shelf) -> tuple[Part, ...]:
    """Return the parts (g) after the change `asked`. Raises BadInputError for what it lacks."""
    if asked.action == "scale-to":
        return scale_to(parts, _needed(asked.value, "value"), shelf)
    if asked.ingredient is None:
        raise _missing("ingredient")
    if asked.action == "add":
        return add_part(parts, asked.ingredient, shelf, rules().doses.get(asked.use or ""))
    return set_flour_share(parts, asked.ingredient, _needed(asked.value, "value"), shelf)


def _needed(value: float | None, name: str) -> float:
    if value is None:
        raise _missing(name)
    return value


def _missing(name: str) -> BadInputError:
    return BadInputError(f"the {name} is missing", place=f"/{name}", right="this change needs it")


@dataclass(frozen=True, slots=True)
class NutritionColumn:
    """A mix on one basis: its label, nutrients for it, and the % of the mass that has a value of each."""

    label: str
    values: OnBasis
    known_mass_pct: dict[str, float]


def nutrition(parts: Sequence[Part], kitchen: KitchenNow) -> tuple[NutritionColumn, ...]:
    """Return the mix per 100 g, per quarter cup and per the kitchen's own serving."""
    analysis = analyse(Blend(tuple(parts)), kitchen.shelf, kitchen.cup)
    known = {n: e.known_mass_pct for n, e in analysis.nutrients.items()}
    bases = (("100 g", "100g"), ("¼ cup", "quarter-cup"), ("serving", f"{kitchen.serving_g:.6f}g"))
    return tuple(
        NutritionColumn(label, of_mix(analysis, parse_basis(basis, kitchen.cup)), known) for label, basis in bases
    )


def must_define(blend: Blend, shelf: Shelf) -> list[Ingredient]:
    """Return what a file must define itself to be judged the same elsewhere: whatever is not as the library has it.

    A price or a gluten value is the kitchen's own, and goes with the file as its numbers do.
    """
    used = [drawing_on(blend.parts, shelf)[p.ingredient] for p in blend.parts]
    bundled = library_shelf()
    return [
        i for i in used if i.slug not in bundled or any(getattr(bundled[i.slug], n) != getattr(i, n) for n in _JUDGED)
    ]


_JUDGED = ("facts", "price_per_kg", "gluten_mg_per_kg", "allergens", "watch", "functions", "usual_max_pct")
