"""The first hour over HTTP: what is said or pasted, read before anything is kept."""

__all__ = ["routes"]
