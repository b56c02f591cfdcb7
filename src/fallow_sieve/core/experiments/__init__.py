"""Experiments: a map from few bakes, where the best may lie, which bake would teach most, and when to stop."""

__all__ = [
    "bands_of_map",
    "best",
    "candidates",
    "designs",
    "fitting",
    "maps",
    "next_bake",
    "regions",
    "stopping",
    "study",
    "terms",
    "varied",
    "walls",
    "wishes",
]
