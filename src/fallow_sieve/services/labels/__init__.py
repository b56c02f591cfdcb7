"""Labels at work: of a blend file, or of a batch as it was weighed."""

__all__ = ["making", "rules"]
