"""Ingredients: what is known of them, what they do, their lots, tests and labels."""
