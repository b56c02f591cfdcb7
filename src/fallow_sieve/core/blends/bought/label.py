"""What the label of a bought mix says, as numbers a mix of its parts can be held against.

Each printed number is a range per 100 g; beside it what every part has of it, with a σ a side. Carbohydrate means
one thing in the Americas and another in Europe: where the label does not show which, both are kept.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np

from fallow_sieve.core.ingredients import COLUMN, FloatArray, Shelf
from fallow_sieve.core.values import Range

CARBOHYDRATE = "carbohydrate_g"
TELLING = ("protein_g", "fat_g", "saturated_fat_g", "sugars_g", "fibre_g", "salt_g", "sodium_mg")
ENERGY = ("energy_kj", "energy_kcal")
# A panel is itself an analysis or a sum from somebody's tables: so much of a number, and so much in any case, in g.
_PANEL_OFF = 0.005
_PANEL_OFF_G = 0.03
_UNKNOWN_G, _UNKNOWN_SPREAD_G = 10.0, 15.0  # what is not known of a part may be anything


@dataclass(frozen=True, slots=True)
class BoughtLabel:
    """A bag's label: slugs in falling mass, printed numbers per 100 g as ranges, shares printed beside names (%).

    `inside` says whether fibre is counted in carbohydrate (None: not known); `under_2_pct` names the parts that the
    bag lists as "2 % or less of", in any order.
    """

    ingredients: tuple[str, ...]
    per_100_g: Mapping[str, Range] = field(default_factory=dict)
    printed_pct: Mapping[str, Range] = field(default_factory=dict)
    inside: bool | None = None
    under_2_pct: frozenset[str] = frozenset()


@dataclass(frozen=True, slots=True)
class PrintedNumber:
    """A printed number (its range per 100 g) and what each part has of it: typical, σ² below and above, per 100 g."""

    name: str
    printed: Range
    typical: FloatArray
    below: FloatArray
    above: FloatArray

    def log_likelihood(self, shares: FloatArray) -> FloatArray:
        """Return, for each row of `shares` (0–1, draws × parts), ln of how well the number agrees, but a constant."""
        mean = shares @ self.typical
        half = (self.printed.high - self.printed.low) / 2
        off = (self.printed.high + self.printed.low) / 2 - mean
        own = half**2 / 3 + (_PANEL_OFF * mean) ** 2 + (_PANEL_OFF_G * _scale(self.name)) ** 2
        squared = shares**2
        below, above = np.sqrt(squared @ self.below + own), np.sqrt(squared @ self.above + own)
        z = off / np.where(off > 0, above, below)
        found: FloatArray = -0.5 * z * z - np.log(below + above)
        return found


def _scale(name: str) -> float:
    return {"sodium_mg": 100.0, "energy_kj": 17.0, "energy_kcal": 4.0, "salt_g": 0.2}.get(name, 1.0)


def printed_numbers(label: BoughtLabel, shelf: Shelf) -> tuple[tuple[PrintedNumber, ...], ...]:
    """Return the numbers that a mix is held against, once for each way in which carbohydrate may be meant.

    Energy follows from the others and counts only where it stands alone.
    """
    rows = np.array([shelf.row_of[s] for s in label.ingredients])
    names = [n for n in TELLING if n in label.per_100_g]
    if not names and CARBOHYDRATE not in label.per_100_g:
        names = [n for n in ENERGY if n in label.per_100_g][:1]
    plain = tuple(_number(n, label.per_100_g[n], rows, shelf) for n in names)
    if CARBOHYDRATE not in label.per_100_g:
        return (plain,)
    printed = label.per_100_g[CARBOHYDRATE]
    whole = _number(CARBOHYDRATE, printed, rows, shelf)
    apart = _less(whole, _number("fibre_g", printed, rows, shelf))
    ways = {True: (whole,), False: (apart,), None: (whole, apart)}[label.inside]
    return tuple((*plain, way) for way in ways)


def _number(name: str, printed: Range, rows: FloatArray, shelf: Shelf) -> PrintedNumber:
    at, width = COLUMN[name], len(COLUMN)
    known = shelf.known[rows, at] > 0
    unit = {"g": 1.0, "mg": 10.0, "kj": 17.0, "kcal": 4.0}[name.rsplit("_", 1)[1]]
    spread = (_UNKNOWN_SPREAD_G * unit) ** 2
    typical = np.where(known, shelf.typical[rows, at], _UNKNOWN_G * unit)
    below = np.where(known, shelf.variance[rows, at], spread)
    above = np.where(known, shelf.variance[rows, width + at], spread)
    return PrintedNumber(name, printed, typical, below, above)


def _less(whole: PrintedNumber, fibre: PrintedNumber) -> PrintedNumber:
    typical = np.maximum(0.0, whole.typical - fibre.typical)
    return PrintedNumber(
        "available_carbohydrate_g", whole.printed, typical, whole.below + fibre.above, whole.above + fibre.below
    )


def names_of(numbers: Sequence[PrintedNumber]) -> tuple[str, ...]:
    """Return the names of the numbers."""
    return tuple(n.name for n in numbers)
