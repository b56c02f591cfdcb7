"""Tastings: who liked what, how surely. Statistics of small panels, tasters as blocks."""

__all__ = ["discrimination", "permutation", "ranks"]
