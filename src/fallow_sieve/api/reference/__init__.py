"""What every page needs to know once, and the search over everything."""

__all__ = ["routes"]
