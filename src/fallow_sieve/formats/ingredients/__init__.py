"""Ingredients as files: the shelf, lots and numbers as tables, the data package, label text."""
