"""Blends as files, and what `analyse`, `explain` and `compare` write."""
