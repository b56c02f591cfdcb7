"""Batches at work: planned, weighed, bagged, told."""

__all__ = [
    "files",
    "line",
    "listing",
    "lots_left",
    "noting",
    "over",
    "page",
    "parts",
    "planning",
    "pouring_in",
    "stepping",
    "weighing",
]
