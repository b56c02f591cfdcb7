"""Trials: what was planned, what was done, what it taught."""

__all__ = [
    "day",
    "explaining",
    "lineage",
    "plan",
    "predicting",
    "quantities",
    "readings",
    "seen",
    "sheet",
    "status",
    "trial",
]
