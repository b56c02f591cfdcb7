"""Ingredients, their numbers, lots, panels and tests in the store, and the shelf read from them."""
