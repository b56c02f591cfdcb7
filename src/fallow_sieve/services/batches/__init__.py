"""Batches at work: planned, weighed, bagged, told."""

__all__ = [
    "bagging",
    "even",
    "files",
    "listing",
    "lots_left",
    "over",
    "page",
    "parts",
    "planning",
    "printing",
    "proof",
    "stepping",
    "weighing",
]
