"""Bags and bins of a batch: filled, opened, emptied, cleaned; what got lost on the way, and whether it is even."""

__all__ = ["bagging", "bins", "even", "losses"]
