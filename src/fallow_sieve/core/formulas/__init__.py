"""Formulas: a blend at work with water, fat, salt and what lifts it, judged as a whole."""
