"""Blends at work on a kitchen: judged, set against practice, proposed, mended, as they stand in a list."""

__all__ = [
    "all_uses",
    "asking",
    "column",
    "judging",
    "kept",
    "looking",
    "mending",
    "practice",
    "proposals",
    "standing",
]
