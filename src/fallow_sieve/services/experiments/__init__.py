"""Experiments: planned, baked, mapped, told."""

__all__ = ["asked", "drawing", "joining", "known", "making", "page", "telling", "tidy"]
