"""Schedules at work: doughs that ripen, leavens, plans."""

__all__ = ["plans", "products", "ripening", "running", "standing", "starters", "telling", "why"]
