"""Tastings: a table set, served, answered and told."""

__all__ = [
    "answering",
    "page",
    "paper",
    "pooled",
    "result",
    "samples",
    "setting",
    "table",
    "telling",
    "tidy",
    "wording",
]
