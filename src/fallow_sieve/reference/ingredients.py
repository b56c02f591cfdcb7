"""Loads the bundled ingredients: what they are (ingredients.csv) and what is in them (composition.csv)."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.ingredients import Fact, Function, Ingredient, Quality, Role, Shelf
from fallow_sieve.core.values import Range, exactly
from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class IngredientRow:
    """One row of ingredients.csv: what a flour is and does in dough."""

    slug: str
    name: str
    role: str
    functions: tuple[str, ...]
    stickiness: float | None
    density_g_per_ml_low: float | None
    density_g_per_ml_typical: float | None
    density_g_per_ml_high: float | None
    thirst_g_per_g_low: float | None
    thirst_g_per_g_typical: float | None
    thirst_g_per_g_high: float | None
    gel_onset_c: float | None
    gel_peak_c: float | None
    amylose_low_pct: float | None
    amylose_typical_pct: float | None
    amylose_high_pct: float | None
    grit_index: float | None
    flavour_index: float | None
    flavour_words: tuple[str, ...]
    lab_l: float | None
    lab_a: float | None
    lab_b: float | None
    browning_index: float | None
    shelf_months_low: float | None
    shelf_months_typical: float | None
    shelf_months_high: float | None
    allergens: tuple[str, ...]
    watch: tuple[str, ...]
    gluten_risk: str
    functional_basis: str
    functional_confidence: str
    usual_max_pct: float | None
    usual_max_reason: str


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


# An index is noted in whole steps, so it stands for half a step either side.
_HALF_STEP = 0.5


@cache
def library() -> tuple[Ingredient, ...]:
    """Return every bundled ingredient with its facts, in table order."""
    contents: dict[str, dict[str, Fact]] = defaultdict(dict)
    for row in read_table("composition", CompositionRow):
        fact = Fact(Range(row.low, row.typical, row.high), Quality(row.quality), row.source)
        contents[row.ingredient][row.nutrient] = fact
    return tuple(_ingredient(r, contents[r.slug]) for r in read_table("ingredients", IngredientRow))


@cache
def library_shelf() -> Shelf:
    """Return the shelf of the bundled ingredients, without prices, stock or gluten values."""
    return Shelf.of(library())


def _ingredient(row: IngredientRow, contents: dict[str, Fact]) -> Ingredient:
    return Ingredient(
        slug=row.slug,
        name=row.name,
        role=Role(row.role),
        facts={**contents, **_properties(row)},
        gluten_risk=row.gluten_risk,
        allergens=row.allergens,
        watch=row.watch,
        functions=tuple(Function(f) for f in row.functions),
        flavour_words=row.flavour_words,
        usual_max_pct=row.usual_max_pct,
        usual_max_reason=row.usual_max_reason,
        confidence=row.functional_confidence,
    )


def _properties(row: IngredientRow) -> dict[str, Fact]:
    ranges = {
        "density_g_per_ml": _range(row.density_g_per_ml_low, row.density_g_per_ml_typical, row.density_g_per_ml_high),
        "thirst_g_per_g": _range(row.thirst_g_per_g_low, row.thirst_g_per_g_typical, row.thirst_g_per_g_high),
        "amylose_pct": _range(row.amylose_low_pct, row.amylose_typical_pct, row.amylose_high_pct),
        "shelf_months": _range(row.shelf_months_low, row.shelf_months_typical, row.shelf_months_high),
        "grit_index": _index(row.grit_index),
        "flavour_index": _index(row.flavour_index),
        "lightness_l": _exact(row.lab_l),
        "colour_a": _exact(row.lab_a),
        "colour_b": _exact(row.lab_b),
        "stickiness": _exact(row.stickiness),
        "gel_onset_c": _exact(row.gel_onset_c),
        "gel_peak_c": _exact(row.gel_peak_c),
        "browning_index": _index(row.browning_index),
    }
    confidence = f" ({row.functional_confidence} confidence)" if row.functional_confidence else ""
    source = f"bundled table: {row.functional_basis}{confidence}"
    return {name: Fact(r, Quality.ESTIMATE, source) for name, r in ranges.items() if r is not None}


def _range(low: float | None, typical: float | None, high: float | None) -> Range | None:
    if low is None or typical is None or high is None:
        return None
    return Range(low, typical, high)


def _exact(value: float | None) -> Range | None:
    return None if value is None else exactly(value)


def _index(value: float | None) -> Range | None:
    if value is None:
        return None
    return Range(max(0.0, value - _HALF_STEP), value, min(5.0, value + _HALF_STEP))
