"""From a use and school to tasks: which steps, how long each takes, how the dough is at each."""

__all__ = ["dough", "making", "nominal", "places", "product", "readings", "rules"]
