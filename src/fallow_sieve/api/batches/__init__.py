"""Batches over HTTP: planned, weighed, bagged, labelled."""

__all__ = ["bags", "labels", "routes", "sheets", "weighings"]
