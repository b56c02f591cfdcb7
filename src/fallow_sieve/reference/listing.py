"""Loads what the shelf can be filtered by: traits in dough (dough_traits.csv) and diets (diets.csv)."""

from __future__ import annotations

from functools import cache

from fallow_sieve.core.ingredients import Diet, Trait
from fallow_sieve.reference.tables import read_table


@cache
def traits() -> dict[str, Trait]:
    """Return every trait by name."""
    return {t.name: t for t in read_table("dough_traits", Trait)}


@cache
def diets() -> dict[str, Diet]:
    """Return every diet by name."""
    return {d.name: d for d in read_table("diets", Diet)}
