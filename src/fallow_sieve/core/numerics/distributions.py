"""The distributions of `scipy.stats`, loaded when one is first asked for: a start need not wait a second for them.

To be used as `from fallow_sieve.core.numerics import distributions as stats`, then `stats.t.ppf(…)`.
"""

from __future__ import annotations

from importlib import import_module
from typing import Any


def __getattr__(name: str) -> Any:
    """Return the distribution, or function, of `scipy.stats` that is called `name`."""
    return getattr(import_module("scipy.stats"), name)
