"""Blends: what is in a mix, how it fits a use, and what holds it back."""
