"""Stock as the sum of its moves: what went where, forward and back, and what is to be bought."""

__all__: list[str] = []

__all__ = ["accounts", "budget", "buying", "counting", "moves"]
