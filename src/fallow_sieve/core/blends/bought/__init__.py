"""A bought mix opened: from a bag's list in falling mass and its panel to shares with ranges."""

from fallow_sieve.core.blends.bought.label import BoughtLabel
from fallow_sieve.core.blends.bought.opening import MOST_PARTS, Opened, OpenedShare, Together, open_bag

__all__ = [
    "MOST_PARTS",
    "BoughtLabel",
    "Opened",
    "OpenedShare",
    "Together",
    "open_bag",
]
