"""The label of a batch: proofed line by line, and laid out as it prints."""

__all__ = ["printing", "proof"]
