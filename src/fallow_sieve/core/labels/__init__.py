"""The label of a mix: what stands on it, line by line, and what holds a line back. Always a draft."""

__all__: list[str] = []

__all__ = [
    "allergens",
    "binder_line",
    "claims",
    "dates",
    "label",
    "lines",
    "listing",
    "net_mass",
    "nutrition",
    "rounding",
    "wording",
]
