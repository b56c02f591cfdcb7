"""What a blend is judged by: each metric with its unit, its limits, and the column of the shelf it rests on."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.ingredients import Role


class MetricKind(StrEnum):
    """What a metric speaks of: structure and texture can hold a mix, palate and looks be close at most.

    Nutrition is judged only where a brief wishes for it; the bag is what lies in it beside flour.
    """

    STRUCTURE = "structure"
    TEXTURE = "texture"
    PALATE = "palate"
    NUTRITION = "nutrition"
    BAG = "bag"
    MEASURE = "measure"


@dataclass(frozen=True, slots=True)
class Metric:
    """Something a blend is judged by: name with its unit, label, unit, physical limits, how many decimals, its kind."""

    name: str
    label: str
    unit: str
    lowest: float
    highest: float
    decimals: int
    basis: str
    kind: MetricKind = MetricKind.MEASURE


METRICS: dict[str, Metric] = {
    m.name: m
    for m in (
        Metric("sticky_share_pct", "Sticky share", "% of flour", 0, 100, 1, "flour", MetricKind.STRUCTURE),
        Metric("thirst_g_per_g", "Thirst", "g water per g", 0, math.inf, 2, "flour", MetricKind.STRUCTURE),
        Metric("starch_share_pct", "Starch share", "% of flour", 0, 100, 1, "flour", MetricKind.STRUCTURE),
        Metric("flour_starch_pct", "Starch to set", "g/100 g flour", 0, 100, 1, "flour", MetricKind.STRUCTURE),
        Metric("flour_fat_pct", "Fat of the flours", "g/100 g flour", 0, 100, 1, "flour", MetricKind.STRUCTURE),
        Metric("protein_powder_share_pct", "Protein powders", "% of flour", 0, 100, 1, "flour", MetricKind.TEXTURE),
        Metric("grit_index", "Grit", "of 5", 0, 5, 1, "flour", MetricKind.TEXTURE),
        Metric("flavour_index", "Flavour", "of 5", 0, 5, 1, "flour", MetricKind.PALATE),
        Metric("lightness_l", "Lightness", "L*", 0, 100, 0, "flour", MetricKind.PALATE),
        Metric("binder_load", "Binder", "× usual", 0, math.inf, 2, "flour", MetricKind.STRUCTURE),
        Metric("chemical_leavening_pct", "Baking powder", "% of flour", 0, math.inf, 1, "flour", MetricKind.BAG),
        Metric("yeast_pct", "Yeast", "% of flour", 0, math.inf, 1, "flour", MetricKind.BAG),
        Metric("salt_pct", "Salt", "% of flour", 0, math.inf, 1, "flour", MetricKind.BAG),
        Metric("sugar_pct", "Sugar", "% of flour", 0, math.inf, 0, "flour", MetricKind.BAG),
        Metric("egg_pct", "Egg, as fresh", "% of flour", 0, math.inf, 0, "flour", MetricKind.BAG),
        Metric("fat_added_pct", "Fat added", "% of flour", 0, math.inf, 0, "flour", MetricKind.BAG),
        Metric("milk_powder_pct", "Milk powder", "% of flour", 0, math.inf, 1, "flour", MetricKind.BAG),
        Metric("protein_pct", "Protein", "g/100 g", 0, 100, 1, "mix", MetricKind.NUTRITION),
        Metric("fibre_pct", "Fibre", "g/100 g", 0, 100, 1, "mix", MetricKind.NUTRITION),
        Metric("whole_grain_share_pct", "Whole grain", "% of flour", 0, 100, 1, "flour", MetricKind.NUTRITION),
        Metric("fat_pct", "Fat", "g/100 g", 0, 100, 1, "mix", MetricKind.NUTRITION),
        Metric(
            "available_carbohydrate_pct", "Available carbohydrate", "g/100 g", 0, 100, 1, "mix", MetricKind.NUTRITION
        ),
        Metric("energy_kj", "Energy", "kJ/100 g", 0, math.inf, 0, "mix", MetricKind.NUTRITION),
        Metric("total_starch_pct", "Total starch", "g/100 g", 0, 100, 1, "mix"),
        Metric("amylose_pct_of_starch", "Amylose", "% of starch", 0, 100, 1, "starch"),
        Metric("energy_kcal", "Energy", "kcal/100 g", 0, math.inf, 0, "mix"),
        Metric("density_g_per_ml", "Bulk density", "g/mL", 0, math.inf, 2, "mix"),
        Metric("cup_g", "A cup", "g", 0, math.inf, 0, "mix"),
    )
}
# What the record of practice gives a band, and what is shown beside it without one.
FROM_THE_RECORD = tuple(METRICS)[:9]
NUTRITION = tuple(m.name for m in METRICS.values() if m.kind is MetricKind.NUTRITION)
BANDED = FROM_THE_RECORD + NUTRITION  # what a brief may set a band on
# Metrics that are one column of the matrix, as a mean over the mix or over the flour base.
MIX_COLUMNS = {
    "protein_pct": "protein_g",
    "fibre_pct": "fibre_g",
    "fat_pct": "fat_g",
    "total_starch_pct": "starch_g",
    "available_carbohydrate_pct": "available_carbohydrate_g",
    "energy_kj": "energy_kj",
    "energy_kcal": "energy_kcal",
}
FLOUR_COLUMNS = {
    "thirst_g_per_g": "thirst_g_per_g",
    "flour_starch_pct": "starch_g",
    "flour_fat_pct": "fat_g",
    "grit_index": "grit_index",
    "flavour_index": "flavour_index",
    "lightness_l": "lightness_l",
}
FIELD_OF_METRIC: dict[str, str] = {**MIX_COLUMNS, **FLOUR_COLUMNS, "sticky_share_pct": "stickiness"}
ROLE_SHARES = {
    "starch_share_pct": Role.STARCH,
    "whole_grain_share_pct": Role.WHOLE_GRAIN,
    "protein_powder_share_pct": Role.PROTEIN,
}
# Amylose is stated for the starch that has a known value, as long as that is nearly all of it.
KNOWN_STARCH_NEEDED = 0.98
