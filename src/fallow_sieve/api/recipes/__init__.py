"""Recipes over HTTP: read line by line, and made over with a blend."""

__all__ = ["routes"]
