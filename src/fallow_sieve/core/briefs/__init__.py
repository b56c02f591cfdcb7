"""Briefs: how far the blends of a brief are, and the next step."""
