"""Flours side by side on one basis that the reader picks: a mass, or a cup or spoon of each."""

from __future__ import annotations

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.ingredients import NUTRIENTS, OnBasis
from fallow_sieve.core.values import UNKNOWN, Basis


def of_mix(analysis: Analysis, basis: Basis) -> OnBasis:
    """Return a whole mix on `basis`: g, and nutrients in the units their names say for that mass.

    A nutrient that is not wholly known stays a lower bound: `high` is None.
    """
    bulk = analysis.metrics["density_g_per_ml"]
    if basis.mass_g is not None:
        mass = low = high = basis.mass_g
    elif bulk.typical is not None and bulk.low is not None and bulk.high is not None and basis.volume_ml is not None:
        mass, low, high = (d * basis.volume_ml for d in (bulk.typical, bulk.low, bulk.high))
    else:
        return OnBasis("", "", None, None, None, dict.fromkeys(NUTRIENTS, UNKNOWN))
    k = mass / 100
    return OnBasis("", "", mass, low, high, {n: e.times(k) for n, e in analysis.nutrients.items()})
