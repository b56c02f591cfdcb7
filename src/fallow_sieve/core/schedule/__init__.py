"""Schedules: when to do what, and what to do when the dough does otherwise."""

__all__ = ["clashes", "clock", "learning", "ovens", "plan", "ways_out"]
