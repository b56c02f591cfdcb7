"""Fallow Sieve: design gluten-free flour blends and see at once what holds them back."""

__version__ = "1.0.0"
