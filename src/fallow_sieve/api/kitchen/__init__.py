"""The kitchen's settings over HTTP."""

__all__ = ["ahead", "routes", "words"]
