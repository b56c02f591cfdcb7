"""Formulas over HTTP: kept as documents, judged and worked on, their pours, in and out as files."""

__all__ = ["bags", "files", "pours", "routes", "work"]
