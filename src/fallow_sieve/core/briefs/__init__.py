"""Briefs: how far the blends of a brief are, and the next step."""

from fallow_sieve.core.briefs.brief import AIMS, BlendState, Progress, progress, wishes
from fallow_sieve.core.briefs.said import SaidBrief, read_brief

__all__ = ["AIMS", "BlendState", "Progress", "SaidBrief", "progress", "read_brief", "wishes"]
