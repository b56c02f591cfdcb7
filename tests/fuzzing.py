"""How often a thing is tried: some times in `make test`, few in `make check`, many in `make fuzz` and `make soak`."""

from __future__ import annotations

import os

_TIMES = {"check": 0.2, "fuzz": 10.0}


def examples(usual: int) -> int:
    """Return how many inputs to generate where `usual` are tried in `make test`; EFFORT says check or fuzz."""
    return max(2, round(usual * _TIMES.get(os.environ.get("EFFORT", ""), 1.0)))


def rounds(usual: int, soak: int) -> int:
    """Return how many rounds of something slow to go: `usual` in `make test`, `soak` in `make soak`."""
    return soak if os.environ.get("EFFORT") == "soak" else usual
