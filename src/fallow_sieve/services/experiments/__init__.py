"""Experiments: planned, baked, mapped, told."""

__all__ = ["telling"]
