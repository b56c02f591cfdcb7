"""Leaven and preferment: builds and their peaks, grams back to the jar."""

__all__ = ["builds"]
