"""Net mass: what a bag may lack, how tall its figures stand. Shown as a hint; local law decides."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.values import BadInputError


@dataclass(frozen=True, slots=True)
class MassClass:
    """A class of nominal masses, g: over `start` (or from it) to `end`, and its value in % or in its unit."""

    start: float
    end: float
    start_in: bool
    value: float
    unit: str


@dataclass(frozen=True, slots=True)
class NetMass:
    """What a bag of a nominal mass may lack, g: the tolerable error, and under what no bag may be."""

    nominal_g: float
    tolerable_g: float
    none_below_g: float
    none_below_twice_g: float


def in_class(nominal_g: float, classes: Sequence[MassClass]) -> MassClass:
    """Return the class of a nominal mass, g. Raises BadInputError outside them all."""
    for c in classes:
        if (nominal_g > c.start or (c.start_in and nominal_g == c.start)) and nominal_g <= c.end:
            return c
    first, last = min(c.start for c in classes), max(c.end for c in classes)
    raise BadInputError(f"a bag of {nominal_g:g} g", place="/bag_g", right=f"from {first:g} to {last:g} g")


def net_mass(nominal_g: float, classes: Sequence[MassClass]) -> NetMass:
    """Return what a bag of `nominal_g` g may lack: a share is rounded up to a tenth of a gram.

    >>> net_mass(150, [MassClass(100, 200, False, 4.5, "%")]).tolerable_g
    6.8
    """
    c = in_class(nominal_g, classes)
    exact = nominal_g * c.value / 100 if c.unit == "%" else c.value
    tolerable = math.ceil(exact * 10 - 1e-9) / 10
    return NetMass(nominal_g, tolerable, round(nominal_g - tolerable, 6), round(nominal_g - 2 * tolerable, 6))
