"""Bench tests of a bag: cup weight, water taken up, sieve grading, lightness, and the check of the scale itself."""

from fallow_sieve.core.ingredients.bench_tests.cups_soaks_scales import (
    CupWeight,
    ScaleCheck,
    Soak,
    WaterTaken,
    cup_fact,
    cup_weight,
    scale_check,
    water_fact,
    water_taken_up,
)
from fallow_sieve.core.ingredients.bench_tests.sieve_grading import (
    Grading,
    GritPoint,
    OnMesh,
    grade,
    grit_fact,
    grit_verdict,
)
from fallow_sieve.core.ingredients.bench_tests.white_card import Lightness, lightness_fact, white_card

__all__ = [
    "CupWeight",
    "Grading",
    "GritPoint",
    "Lightness",
    "OnMesh",
    "ScaleCheck",
    "Soak",
    "WaterTaken",
    "cup_fact",
    "cup_weight",
    "grade",
    "grit_fact",
    "grit_verdict",
    "lightness_fact",
    "scale_check",
    "water_fact",
    "water_taken_up",
    "white_card",
]
