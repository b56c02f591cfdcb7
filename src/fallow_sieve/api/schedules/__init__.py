"""Schedules over HTTP: documents, plans as they are found, running, files; where the kitchen works; starters."""

__all__ = ["planning", "routes", "starters", "workplace"]
