"""Experiments over HTTP: planned, baked, mapped, kept."""

__all__ = ["routes", "runs"]
