"""What a bag has to say so that it is used with care: gluten, cautions, and how long it keeps."""

from fallow_sieve.core.blends.care.cautions import (
    NUTS,
    TREE_NUTS,
    Caution,
    cautions_for,
    cautions_of,
    contains_line,
    union_of,
)
from fallow_sieve.core.blends.care.gluten import GlutenEstimate, estimate_gluten, status_of
from fallow_sieve.core.blends.care.keeping import DAYS_PER_MONTH, Keeping, keeping, temperature_factor

__all__ = [
    "DAYS_PER_MONTH",
    "NUTS",
    "TREE_NUTS",
    "Caution",
    "GlutenEstimate",
    "Keeping",
    "cautions_for",
    "cautions_of",
    "contains_line",
    "estimate_gluten",
    "keeping",
    "status_of",
    "temperature_factor",
    "union_of",
]
