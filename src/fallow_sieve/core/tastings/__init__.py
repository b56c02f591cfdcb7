"""Tastings: who liked what, how surely. Statistics of small panels, tasters as blocks."""

__all__ = ["answers", "discrimination", "liking", "permutation", "planning", "preference", "ranks", "ticks"]
