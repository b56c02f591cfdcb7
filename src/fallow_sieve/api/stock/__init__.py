"""Stock over HTTP: traced, held, counted, bought."""

__all__ = ["holds", "routes"]
