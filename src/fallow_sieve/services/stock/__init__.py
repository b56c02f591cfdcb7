"""Stock at work: traced, held, counted, bought."""

__all__ = ["buying", "counting", "events", "holding", "tables_out", "taking_back", "trace"]
