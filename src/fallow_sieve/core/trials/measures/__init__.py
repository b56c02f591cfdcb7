"""Measures that are worked out from readings, each with its uncertainty."""

__all__ = ["crumb_and_crust", "keeping", "volume", "ways", "weighing"]
