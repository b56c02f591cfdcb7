"""The core at work on one kitchen: load, judge, answer. Used by the API and the command line alike.

One module a noun. No server and no command line in here: what comes in are values, and so is what goes out.
"""

__all__ = [
    "bag_doses",
    "blend_standing",
    "blends",
    "briefs",
    "formulas",
    "kitchen",
    "learning",
    "mending",
    "own_numbers",
    "panels",
    "practice",
    "proposals",
    "recipes",
    "scaling",
    "searching",
    "shelf",
    "shelf_files",
    "transfer",
    "whole_bags",
]
