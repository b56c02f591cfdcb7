"""The next bake: a cause's change as a draft, the same again but, and what to bake next."""

__all__ = ["again", "next_bakes", "trying"]
