"""Two bakes side by side: what changed, by how many steps, meant or happened; and what it did."""

__all__ = ["changes", "effects", "standing"]
