"""Batches at work: planned, weighed, bagged, told."""

__all__ = [
    "bagging",
    "files",
    "listing",
    "lots_left",
    "over",
    "page",
    "planning",
    "printing",
    "proof",
    "stepping",
    "weighing",
]
