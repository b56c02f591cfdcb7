"""Briefs over HTTP: written, changed, and how far their blends are."""

__all__ = ["models", "routes"]
