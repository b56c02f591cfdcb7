"""Trials: what was planned, what was done, what it taught."""

__all__ = ["plan", "predicting", "quantities", "readings", "seen", "trial"]
