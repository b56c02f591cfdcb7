"""Trials at work: a bake as it was planned, read and judged."""

__all__ = [
    "again",
    "bands",
    "beginning",
    "comparing",
    "drawing",
    "family",
    "from_schedule",
    "lessons",
    "making",
    "next_bakes",
    "noting",
    "page",
    "tapping",
    "taught",
    "telling",
    "trying",
]
