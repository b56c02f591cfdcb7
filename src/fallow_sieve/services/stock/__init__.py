"""Stock at work: traced, held, counted, bought."""

__all__ = ["buying", "counting", "holding", "taking_back", "trace"]
