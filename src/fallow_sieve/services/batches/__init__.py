"""Batches at work: planned, weighed, bagged, told."""

__all__ = ["bagging", "listing", "over", "page", "planning", "proof", "stepping", "weighing"]
