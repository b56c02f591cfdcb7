"""Stock over HTTP: traced, held, counted, bought; bins."""

__all__ = ["bins", "holds", "routes"]
