"""Sheets: what is handed to a phone in the same house, on a port of its own; forms that work without script."""

__all__ = ["app", "limits", "pages", "server", "weighing"]
