"""Bought mixes: a bag's label read, what is in it, and a mix like it."""

__all__ = ["alike", "opening", "page"]
