"""The search for blends over HTTP: wishes, proposals line by line, trade-offs, mending."""

__all__ = ["routes"]
