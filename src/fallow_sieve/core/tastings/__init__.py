"""Tastings: who liked what, how surely. Statistics of small panels, tasters as blocks."""

__all__ = ["discrimination", "liking", "permutation", "planning", "ranks", "verdicts"]
