"""The kitchen's settings over HTTP."""

__all__ = ["routes", "words"]
