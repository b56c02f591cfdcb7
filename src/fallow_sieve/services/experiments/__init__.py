"""Experiments: planned, baked, mapped, told."""

__all__ = ["asked", "drawing", "known", "making", "page", "telling", "tidy"]
