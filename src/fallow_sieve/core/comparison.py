"""Flours side by side on one basis that the reader picks: a mass, or a cup or spoon of each."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import Analysis
from fallow_sieve.core.estimates import UNKNOWN, Estimate
from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.core.nutrients import NUTRIENTS
from fallow_sieve.core.quantities import Basis
from fallow_sieve.core.shelf import Shelf


@dataclass(frozen=True, slots=True)
class OnBasis:
    """One ingredient on a basis: its mass in g (None where its density is unknown) and nutrients for that mass."""

    ingredient: str
    name: str
    mass_g: float | None
    mass_low_g: float | None
    mass_high_g: float | None
    nutrients: dict[str, Estimate]


def compare(slugs: Sequence[str], shelf: Shelf, basis: Basis) -> tuple[OnBasis, ...]:
    """Return each ingredient on `basis`; low and high carry the composition's range at the typical mass (g).

    Raises UnknownNameError for a slug that is not on the shelf.
    """
    return tuple(on_basis(shelf[s], basis) for s in slugs)


def on_basis(item: Ingredient, basis: Basis) -> OnBasis:
    """Return `item` on `basis`: g, and nutrients in the units their names say for that mass."""
    bulk = item.range_of("density_g_per_ml")
    if basis.mass_g is not None:
        mass = low = high = basis.mass_g
    elif bulk is not None and basis.volume_ml is not None:
        mass, low, high = (d * basis.volume_ml for d in (bulk.typical, bulk.low, bulk.high))
    else:
        return OnBasis(item.slug, item.name, None, None, None, dict.fromkeys(NUTRIENTS, UNKNOWN))
    return OnBasis(item.slug, item.name, mass, low, high, {n: _for_mass(item, n, mass) for n in NUTRIENTS})


def _for_mass(item: Ingredient, nutrient: str, mass_g: float) -> Estimate:
    found = item.range_of(nutrient)
    if found is None:
        return UNKNOWN
    k = mass_g / 100
    return Estimate(found.typical * k, found.low * k, found.high * k, 100.0, found.sigma * k)


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
