"""Batches at work: planned, weighed, bagged, told."""

__all__ = [
    "bagging",
    "bins",
    "even",
    "files",
    "line",
    "listing",
    "lots_left",
    "over",
    "page",
    "parts",
    "planning",
    "pouring_in",
    "stepping",
    "weighing",
]
