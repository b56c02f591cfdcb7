"""Trials over HTTP: planned, noted, told, compared, and what to bake next."""

__all__ = ["families", "photos", "routes", "sheets", "trying"]
