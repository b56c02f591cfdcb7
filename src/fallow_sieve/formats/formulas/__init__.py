"""Formulas as files, schema.org recipes and text, and what `formula` and `scale` write."""
