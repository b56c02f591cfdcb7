"""Trials over HTTP: planned, noted, told, compared, and what to bake next."""

__all__ = ["families", "files", "measuring", "photos", "routes", "sheets", "trying"]
