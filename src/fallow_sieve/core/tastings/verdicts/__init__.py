"""What a tasting says, in one verdict: the first rule that holds, in its own words; never "the same"."""

__all__ = ["choices", "liking", "ranking", "told", "words"]
