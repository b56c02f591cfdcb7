"""Faults: from what was seen to what to try."""

__all__ = ["counts", "ranking", "sentences", "several", "tables"]
