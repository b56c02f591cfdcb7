"""Formulas at work on a kitchen: judged, scaled, made a complete mix, and what their pours taught."""

__all__ = [
    "cards",
    "learning",
    "scaling",
    "whole_bags",
    "working",
]
