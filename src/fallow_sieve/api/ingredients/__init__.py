"""Ingredients over HTTP: the shelf, their own numbers, lots, panels, bench tests, files."""
