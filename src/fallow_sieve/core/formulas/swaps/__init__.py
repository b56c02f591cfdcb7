"""Swaps of a line of a formula: each keeps what the line was for, and says what is lost."""
