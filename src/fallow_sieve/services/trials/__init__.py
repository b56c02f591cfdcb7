"""Trials at work: a bake as it was planned, read and judged."""

__all__ = ["making", "telling"]
