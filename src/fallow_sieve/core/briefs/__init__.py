"""Briefs: how far the blends of a brief are, and the next step."""

from fallow_sieve.core.briefs.brief import AIMS, BlendState, Progress, progress, wishes

__all__ = ["AIMS", "BlendState", "Progress", "progress", "wishes"]
