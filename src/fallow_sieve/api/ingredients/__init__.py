"""Ingredients over HTTP: the shelf, their own numbers, lots, panels, bench tests, files."""

__all__ = ["files", "lots", "own_numbers", "routes", "shelf", "side_by_side"]
