"""A recipe made over for a blend: from wheat, or from its own gluten-free mix; every change with reason and size."""

from fallow_sieve.core.recipes.making_over.convert import convert
from fallow_sieve.core.recipes.making_over.flour_lines import belongs_to_mix
from fallow_sieve.core.recipes.making_over.steps import Conversion, ConversionRules, ConversionStep

__all__ = ["Conversion", "ConversionRules", "ConversionStep", "belongs_to_mix", "convert"]
