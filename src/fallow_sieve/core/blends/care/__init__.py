"""What a bag has to say so that it is used with care: gluten, cautions, and how long it keeps."""

from fallow_sieve.core.blends.care.cautions import Caution, cautions_for, cautions_of, contains_line, union_of
from fallow_sieve.core.blends.care.gluten import GlutenEstimate, estimate_gluten, status_of
from fallow_sieve.core.blends.care.keeping import Keeping, keeping

__all__ = [
    "Caution",
    "GlutenEstimate",
    "Keeping",
    "cautions_for",
    "cautions_of",
    "contains_line",
    "estimate_gluten",
    "keeping",
    "status_of",
    "union_of",
]
