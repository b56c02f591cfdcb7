"""Bought mixes: a bag opened, and a mix like it."""

__all__ = ["routes"]
