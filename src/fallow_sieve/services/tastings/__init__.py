"""Tastings: a table set, served, answered and told."""

__all__ = [
    "answering",
    "page",
    "paper",
    "pooled",
    "resting",
    "result",
    "samples",
    "setting",
    "table",
    "telling",
    "tidy",
    "wording",
]
