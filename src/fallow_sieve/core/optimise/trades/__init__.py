"""What one thing costs another: the front between two aims, and between one use of a mix and the others."""

from fallow_sieve.core.optimise.trades.between_aims import front
from fallow_sieve.core.optimise.trades.between_uses import front_between

__all__ = ["front", "front_between"]
