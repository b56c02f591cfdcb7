"""How many generated inputs a property is tried on: some in `make test`, few in `make check`, many in `make fuzz`."""

from __future__ import annotations

import os

_TIMES = {"check": 0.2, "fuzz": 10.0}


def examples(usual: int) -> int:
    """Return how many inputs to generate where `usual` are tried in `make test`; EFFORT says check or fuzz."""
    return max(2, round(usual * _TIMES.get(os.environ.get("EFFORT", ""), 1.0)))
