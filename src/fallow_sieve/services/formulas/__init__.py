"""Formulas at work on a kitchen: judged, scaled, made a complete mix, and what their pours taught."""

__all__ = [
    "learning",
    "scaling",
    "whole_bags",
    "working",
]
