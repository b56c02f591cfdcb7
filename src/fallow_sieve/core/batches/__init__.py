"""Batches: a mix made in bulk, from a kept revision to bags, with the lots it was drawn from."""

__all__: list[str] = []

__all__ = [
    "adding",
    "ahead",
    "batch",
    "cleaning",
    "codes",
    "drawing",
    "evenness",
    "keeping",
    "over_pouring",
    "planning",
    "yields",
]
