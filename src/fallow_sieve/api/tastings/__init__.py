"""Tastings over HTTP: tables set, served, answered and told."""

__all__ = ["files", "links", "routes", "seats"]
