"""Nutrients: their names, units, default spread, energy and the two ways of counting carbohydrate.

Contents are per 100 g of the ingredient or mix. "Carbohydrate" is by difference and contains fibre.
"""

from __future__ import annotations

from dataclasses import dataclass

KJ_PER_KCAL = 4.184  # thermochemical calorie, exact by definition
SALT_PER_SODIUM = 2.5  # Regulation (EU) 1169/2011 Annex I: salt = sodium × 2.5


@dataclass(frozen=True, slots=True)
class Nutrient:
    """A nutrient: slug with its unit, label for people, unit, and the ± % taken when only a typical is given."""

    name: str
    label: str
    unit: str
    spread_pct: float


# ± 10 % protein and fat, ± 20 % fibre and minerals; the others follow the widths of the bundled table.
NUTRIENTS: dict[str, Nutrient] = {
    n.name: n
    for n in (
        Nutrient("water_g", "Water", "g", 10),
        Nutrient("energy_kj", "Energy", "kJ", 5),
        Nutrient("energy_kcal", "Energy", "kcal", 5),
        Nutrient("protein_g", "Protein", "g", 10),
        Nutrient("fat_g", "Fat", "g", 10),
        Nutrient("saturated_fat_g", "Saturated fat", "g", 10),
        Nutrient("carbohydrate_g", "Carbohydrate, with fibre", "g", 5),
        Nutrient("sugars_g", "Sugars", "g", 20),
        Nutrient("starch_g", "Starch", "g", 5),
        Nutrient("fibre_g", "Fibre", "g", 20),
        Nutrient("ash_g", "Ash", "g", 20),
        Nutrient("salt_g", "Salt", "g", 20),
        Nutrient("calcium_mg", "Calcium", "mg", 20),
        Nutrient("iron_mg", "Iron", "mg", 20),
        Nutrient("magnesium_mg", "Magnesium", "mg", 20),
        Nutrient("potassium_mg", "Potassium", "mg", 20),
        Nutrient("zinc_mg", "Zinc", "mg", 20),
        Nutrient("sodium_mg", "Sodium", "mg", 20),
        Nutrient("folate_ug", "Folate", "µg", 20),
    )
}

# Regulation (EU) 1169/2011 Annex XIV, per g.
KJ_PER_G = {"protein": 17.0, "fat": 37.0, "available": 17.0, "fibre": 8.0, "polyols": 10.0}
KCAL_PER_G = {"protein": 4.0, "fat": 9.0, "available": 4.0, "fibre": 2.0, "polyols": 2.4}


def available_carbohydrate_g(carbohydrate_g: float, fibre_g: float) -> float:
    """Return g of available carbohydrate: carbohydrate by difference less the fibre inside it, never under 0.

    >>> available_carbohydrate_g(76.0, 6.0)
    70.0
    """
    return max(0.0, carbohydrate_g - fibre_g)


def energy_kj(protein_g: float, fat_g: float, available_g: float, fibre_g: float, polyols_g: float = 0.0) -> float:
    """Return kJ of the given g of protein, fat, available carbohydrate, fibre and polyols.

    Source: Regulation (EU) 1169/2011, Annex XIV.

    >>> energy_kj(10, 2, 70, 5)
    1474.0
    """
    f = KJ_PER_G
    return (
        f["protein"] * protein_g
        + f["fat"] * fat_g
        + f["available"] * available_g
        + f["fibre"] * fibre_g
        + f["polyols"] * polyols_g
    )


def energy_kcal(protein_g: float, fat_g: float, available_g: float, fibre_g: float, polyols_g: float = 0.0) -> float:
    """Return kcal of the given g of protein, fat, available carbohydrate, fibre and polyols.

    Source: Regulation (EU) 1169/2011, Annex XIV.

    >>> energy_kcal(10, 2, 70, 5)
    348.0
    """
    f = KCAL_PER_G
    return (
        f["protein"] * protein_g
        + f["fat"] * fat_g
        + f["available"] * available_g
        + f["fibre"] * fibre_g
        + f["polyols"] * polyols_g
    )
