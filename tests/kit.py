"""Small made-up flours and blends whose sums can be done in the head, shared by the tests."""

from __future__ import annotations

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.ingredients.functions import Function
from fallow_sieve.core.ingredients.ingredient import Fact, Ingredient, Quality, Role
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.estimates import Range, exactly

Number = float | tuple[float, float, float] | Range


def _range(given: Number) -> Range:
    if isinstance(given, Range):
        return given
    return Range(*given) if isinstance(given, tuple) else exactly(float(given))


def flour(
    slug: str, role: str = "whole_grain", *, does: str = "", more: dict[str, object] | None = None, **facts: Number
) -> Ingredient:
    """An ingredient; a fact is a number without spread, or (low, typical, high); `does` names its function."""
    ranges = {n: _range(v) for n, v in facts.items()}
    functions: dict[str, object] = {"functions": (Function(does),)} if does else {}
    known = {n: Fact(r, Quality.TABLE, "made up for a test") for n, r in ranges.items()}
    return Ingredient(
        slug=slug, name=slug.replace("-", " ").capitalize(), role=Role(role), facts=known, **(functions | (more or {}))
    )  # type: ignore[arg-type]


def priced(slug: str, role: str, price: float | None = None, **facts: Number) -> Ingredient:
    """An ingredient with its price per kg."""
    return flour(slug, role, more={"price_per_kg": price}, **facts)


def shelf_of(*items: Ingredient) -> Shelf:
    return Shelf.of(items)


def mix(masses: dict[str, float], shelf: Shelf) -> Analysis:
    return analyse(blend(masses), shelf)


def blend(masses: dict[str, float]) -> Blend:
    return Blend(tuple(Part(slug, mass) for slug, mass in masses.items()))


def formula_of(
    lines: dict[str, float] | list[tuple[str, float, str]], blend: dict[str, float] | None = None, **more: object
):
    """A formula: lines by slug at their usual stage, or as (slug, g, stage), on a blend by slug."""
    from fallow_sieve.core.formulas.formula import Formula, Line, When

    given = [(s, g, "wet") for s, g in lines.items()] if isinstance(lines, dict) else lines
    parts = tuple(Part(s, g) for s, g in (blend or {}).items())
    return Formula(tuple(Line(s, float(g), When(stage)) for s, g, stage in given), parts, **more)  # type: ignore[arg-type]
