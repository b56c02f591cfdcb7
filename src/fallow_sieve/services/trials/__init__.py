"""Trials at work: a bake as it was planned, read and judged."""

__all__ = [
    "bands",
    "beginning",
    "comparing",
    "drawing",
    "family",
    "from_schedule",
    "lessons",
    "making",
    "noting",
    "page",
    "tapping",
    "taught",
    "telling",
]
