"""Tastings: a table set, served, answered and told."""

__all__ = ["telling"]
