"""Loads how coarse sizes feel (grit_mapping.csv)."""

from __future__ import annotations

from functools import cache

from fallow_sieve.core.ingredients import GritPoint
from fallow_sieve.reference.tables import read_table


@cache
def grit_mapping() -> tuple[GritPoint, ...]:
    """Return the points of the mapping from d₉₀ to grit, the finest first."""
    return read_table("grit_mapping", GritPoint)
