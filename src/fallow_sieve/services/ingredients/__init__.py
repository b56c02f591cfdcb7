"""The shelf of a kitchen at work: its numbers, labels, files in and out."""

__all__ = [
    "own_numbers",
    "panels",
    "prices",
    "shelf",
    "shelf_files",
    "transfer",
]
