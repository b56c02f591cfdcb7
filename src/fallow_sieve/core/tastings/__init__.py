"""Tastings: who liked what, how surely. Statistics of small panels, tasters as blocks."""

__all__ = [
    "answers",
    "avoiding",
    "codes",
    "discrimination",
    "just_about_right",
    "liking",
    "orders",
    "panels",
    "permutation",
    "planning",
    "plates",
    "pooling",
    "preference",
    "ranks",
    "sheets",
    "tallies",
    "ticks",
]
