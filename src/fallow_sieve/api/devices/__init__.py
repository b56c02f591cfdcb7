"""Devices over HTTP: the scale on the bench."""

__all__ = ["routes"]
