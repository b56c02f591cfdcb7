"""Terms of a mixture: Scheffé's polynomials on real shares or pseudo-components, and days coded by effects.

Scheffé (1958); L-pseudo-components after Cornell (1990): x′ = (x − l) ÷ (1 − Σl).
"""

from __future__ import annotations

import itertools
from enum import StrEnum

import numpy as np

from fallow_sieve.core.experiments.regions import Array, Region


class Model(StrEnum):
    """A polynomial of a mixture."""

    LINEAR = "linear"
    QUADRATIC = "quadratic"
    SPECIAL_CUBIC = "special-cubic"


def pseudo(region: Region, x: Array) -> Array:
    """Return shares (0–1) as L-pseudo-components; as they are where the least shares leave nothing."""
    low = np.array(region.low)
    room = 1 - low.sum()
    found: Array = (np.atleast_2d(x) - low) / room if room > 1e-9 else np.atleast_2d(x)
    return found


def scheffe(x: Array, model: Model) -> Array:
    """Return the columns of a polynomial at points (rows of shares 0–1): parts, pairs, triples."""
    x = np.atleast_2d(x)
    q = x.shape[1]
    columns = [x[:, i] for i in range(q)]
    if model is not Model.LINEAR:
        columns += [x[:, i] * x[:, j] for i, j in itertools.combinations(range(q), 2)]
    if model is Model.SPECIAL_CUBIC:
        columns += [x[:, i] * x[:, j] * x[:, k] for i, j, k in itertools.combinations(range(q), 3)]
    return np.column_stack(columns)


def term_names(names: tuple[str, ...], model: Model) -> tuple[str, ...]:
    """Return the names of a polynomial's columns, without unit: parts, and products joined by *."""
    found = list(names)
    if model is not Model.LINEAR:
        found += ["*".join(p) for p in itertools.combinations(names, 2)]
    if model is Model.SPECIAL_CUBIC:
        found += ["*".join(p) for p in itertools.combinations(names, 3)]
    return tuple(found)


def term_count(parts: int, model: Model) -> int:
    """Return the number of terms of a polynomial in so many parts (counts)."""
    return len(term_names(tuple(str(i) for i in range(parts)), model))


def day_columns(days: Array) -> Array:
    """Return days (1, 2, …) coded by effects, without unit: a column for each but the last, which is −1 in all."""
    values = np.unique(days)
    if len(values) < 2:
        return np.empty((len(days), 0))
    return np.column_stack([(days == v).astype(float) - (days == values[-1]) for v in values[:-1]])
