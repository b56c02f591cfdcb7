"""What is typed or pasted in the first hour: what is in the bins, and what a text is."""

from fallow_sieve.core.recipes.typed.bins import ReadBin, read_bins
from fallow_sieve.core.recipes.typed.sorting import Sorted, TextKind, sort_text

__all__ = ["ReadBin", "Sorted", "TextKind", "read_bins", "sort_text"]
