"""Blends near another: variants of a proposal, and one like a mix that is not one's own."""

from fallow_sieve.core.optimise.nearby.alike import Likeness, most_alike
from fallow_sieve.core.optimise.nearby.variants import Kind, NoVariant, Variant, near_variants

__all__ = ["Kind", "Likeness", "NoVariant", "Variant", "most_alike", "near_variants"]
