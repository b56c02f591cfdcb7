"""Schedules at work: doughs that ripen, leavens, plans."""

__all__ = ["plans", "ripening", "running", "standing", "starters", "telling", "why"]
