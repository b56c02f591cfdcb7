"""Swaps of a line of a formula: each keeps what the line was for, and says what is lost."""

from fallow_sieve.core.formulas.swaps.effects import Effects, effects_of
from fallow_sieve.core.formulas.swaps.offers import swaps_for
from fallow_sieve.core.formulas.swaps.swap import EggReplacer, FatRule, Swap, SwapRules, Sweetener

__all__ = [
    "Effects",
    "EggReplacer",
    "FatRule",
    "Swap",
    "SwapRules",
    "Sweetener",
    "effects_of",
    "swaps_for",
]
