"""What a blend is judged by: each metric with its unit, its limits, and the column of the shelf it rests on."""

from __future__ import annotations

import math
from dataclasses import dataclass

from fallow_sieve.core.ingredients import Role


@dataclass(frozen=True, slots=True)
class Metric:
    """Something a blend is judged by: name with its unit, label, unit, physical limits, how many decimals."""

    name: str
    label: str
    unit: str
    lowest: float
    highest: float
    decimals: int
    basis: str


METRICS: dict[str, Metric] = {
    m.name: m
    for m in (
        Metric("protein_pct", "Protein", "g/100 g", 0, 100, 1, "mix"),
        Metric("fibre_pct", "Fibre", "g/100 g", 0, 100, 1, "mix"),
        Metric("fat_pct", "Fat", "g/100 g", 0, 100, 1, "mix"),
        Metric("starch_share_pct", "Starch share", "% of flour", 0, 100, 1, "flour"),
        Metric("sticky_share_pct", "Sticky share", "% of flour", 0, 100, 1, "flour"),
        Metric("whole_grain_share_pct", "Whole grain", "% of flour", 0, 100, 1, "flour"),
        Metric("thirst_g_per_g", "Thirst", "g water per g", 0, math.inf, 2, "flour"),
        Metric("grit_index", "Grit", "of 5", 0, 5, 1, "flour"),
        Metric("flavour_index", "Flavour", "of 5", 0, 5, 1, "flour"),
        Metric("lightness_l", "Lightness", "L*", 0, 100, 0, "flour"),
        Metric("total_starch_pct", "Total starch", "g/100 g", 0, 100, 1, "mix"),
        Metric("amylose_pct_of_starch", "Amylose", "% of starch", 0, 100, 1, "starch"),
        Metric("available_carbohydrate_pct", "Available carbohydrate", "g/100 g", 0, 100, 1, "mix"),
        Metric("energy_kj", "Energy", "kJ/100 g", 0, math.inf, 0, "mix"),
        Metric("energy_kcal", "Energy", "kcal/100 g", 0, math.inf, 0, "mix"),
        Metric("density_g_per_ml", "Bulk density", "g/mL", 0, math.inf, 2, "mix"),
        Metric("cup_g", "A cup", "g", 0, math.inf, 0, "mix"),
    )
}
BANDED = tuple(METRICS)[:10]
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
    "grit_index": "grit_index",
    "flavour_index": "flavour_index",
    "lightness_l": "lightness_l",
}
FIELD_OF_METRIC: dict[str, str] = {**MIX_COLUMNS, **FLOUR_COLUMNS, "sticky_share_pct": "stickiness"}
ROLE_SHARES = {"starch_share_pct": Role.STARCH, "whole_grain_share_pct": Role.WHOLE_GRAIN}
# Amylose is stated for the starch that has a known value, as long as that is nearly all of it.
KNOWN_STARCH_NEEDED = 0.98
