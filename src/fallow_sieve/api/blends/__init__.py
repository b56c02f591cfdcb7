"""Blends over HTTP: kept as documents, judged, composed, explained, in and out as files."""

__all__ = ["files", "judging", "routes"]
