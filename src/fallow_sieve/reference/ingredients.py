"""Loads the bundled ingredients: what they are (ingredients.csv), what is in them (composition.csv)
and how they behave (properties.csv)."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.ingredients import WORDS, Fact, Function, Ingredient, Quality, Role, Shelf
from fallow_sieve.core.values import Range
from fallow_sieve.reference.larder import larder
from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class IngredientRow:
    """One row of ingredients.csv: what a flour is."""

    slug: str
    name: str
    role: str
    functions: tuple[str, ...]
    flavour_words: tuple[str, ...]
    allergens: tuple[str, ...]
    watch: tuple[str, ...]
    gluten_risk: str
    usual_max_pct: float | None
    usual_max_reason: str
    confidence: str


@dataclass(frozen=True, slots=True)
class PropertyRow:
    """One row of properties.csv: how one ingredient behaves, in the property's unit."""

    ingredient: str
    property: str
    low: float
    typical: float
    high: float
    basis: str
    confidence: str


@dataclass(frozen=True, slots=True)
class CompositionRow:
    """One row of composition.csv: one nutrient of one ingredient, per 100 g."""

    ingredient: str
    nutrient: str
    low: float
    typical: float
    high: float
    quality: str
    source: str


# What a line that is not understood is made of: nothing is known of it, and so nothing is certain of what holds it.
IN_WORDS = Ingredient(WORDS, "A line in words", Role.OTHER, archived=True, in_larder=True)


@cache
def library() -> tuple[Ingredient, ...]:
    """Return every bundled ingredient with its facts, in table order, the larder after the flours."""
    contents: dict[str, dict[str, Fact]] = defaultdict(dict)
    for row in read_table("composition", CompositionRow):
        fact = Fact(Range(row.low, row.typical, row.high), Quality(row.quality), row.source)
        contents[row.ingredient][row.nutrient] = fact
    for p in read_table("properties", PropertyRow):
        confidence = f" ({p.confidence} confidence)" if p.confidence else ""
        source = f"bundled table: {p.basis}{confidence}"
        contents[p.ingredient][p.property] = Fact(Range(p.low, p.typical, p.high), Quality.ESTIMATE, source)
    return (*(_ingredient(r, contents[r.slug]) for r in read_table("ingredients", IngredientRow)), *larder(), IN_WORDS)


@cache
def library_shelf() -> Shelf:
    """Return the shelf of the bundled ingredients, without prices, stock or gluten values."""
    return Shelf.of(library())


def _ingredient(row: IngredientRow, contents: dict[str, Fact]) -> Ingredient:
    return Ingredient(
        slug=row.slug,
        name=row.name,
        role=Role(row.role),
        facts=contents,
        gluten_risk=row.gluten_risk,
        allergens=row.allergens,
        watch=row.watch,
        functions=tuple(Function(f) for f in row.functions),
        flavour_words=row.flavour_words,
        usual_max_pct=row.usual_max_pct,
        usual_max_reason=row.usual_max_reason,
        confidence=row.confidence,
    )
