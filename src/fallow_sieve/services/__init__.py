"""The core at work on one kitchen: load, judge, answer. Used by the API and the command line alike.

One folder or module a noun. No server and no command line in here: what comes in are values, and so is what goes out.
"""

__all__ = ["beginning", "briefs", "kitchen", "readable", "recipes", "searching"]
