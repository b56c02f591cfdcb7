"""How ripe a dough is after a path through places: φ = f/H · ∫ r(T(t)) dt, 0 mixed, 1 ripe.

H is the hours at 26 °C that the dough takes with the reference amount of yeast, f how much faster it is with its own
amount, salt and sugar. One-minute steps, ∫ r by the trapezoid, crossings by the straight line between two steps.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.schedule.ripening.bodies import Leg, hours_of, temperatures
from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.values import BadInputError

RIPE = 1.0
LONGEST_H = 24 * 60.0


@dataclass(frozen=True, slots=True)
class Dough:
    """A dough to ripen: what ferments it, its hours at 26 °C until ripe, its °C, and how ripe it is already."""

    organism: Organism
    hours_at_26: float
    dough_c: float
    ripeness: float = 0.0


@dataclass(frozen=True, slots=True)
class Path:
    """A dough's way: instants (hours from its beginning), its °C, the hours at 26 °C they come to, its ripeness."""

    hours: Array
    temp_c: Array
    units: Array
    ripeness: Array

    @property
    def end_c(self) -> float:
        """The dough's temperature at the end, °C."""
        return float(self.temp_c[-1])

    @property
    def end_ripeness(self) -> float:
        """How ripe it is at the end."""
        return float(self.ripeness[-1])

    def reaches(self, ripeness: float) -> float | None:
        """Return the hours after which it is as ripe as `ripeness`; None where it does not get there."""
        return crossing(self.hours, self.ripeness, ripeness)

    def hours_at(self, units: float) -> float | None:
        """Return the hours after which `units` hours at 26 °C have passed; None where the path ends before."""
        return crossing(self.hours, self.units, units)

    def at(self, hours: float) -> tuple[float, float]:
        """Return the dough's °C and its ripeness after `hours` hours."""
        temp = float(np.interp(hours, self.hours, self.temp_c))
        return temp, float(np.interp(hours, self.hours, self.ripeness))


def crossing(hours: Array, rising: Array, level: float) -> float | None:
    """Return the hour at which `rising`, which never falls, reaches `level`; None where it does not."""
    if rising[-1] < level:
        return None
    n = int(np.searchsorted(rising, level))
    if n == 0:
        return float(hours[0])
    share = (level - rising[n - 1]) / (rising[n] - rising[n - 1])
    return float(hours[n - 1] + share * (hours[n] - hours[n - 1]))


def ripen(dough: Dough, legs: Sequence[Leg]) -> Path:
    """Return the way of `dough` through `legs`. Raises BadInputError for hours that cannot be."""
    if dough.hours_at_26 <= 0:
        raise BadInputError("a dough that takes no time", place="/reference_hours", right="give hours over 0")
    if not legs or any(leg.hours <= 0 for leg in legs) or sum(leg.hours for leg in legs) > LONGEST_H:
        raise BadInputError("the path", place="/path", right="each leg over 0 hours, all together at most 60 days")
    hours = hours_of(legs)
    temp = temperatures(dough.dough_c, legs, hours)
    speed = dough.organism.speed(temp)
    units = np.concatenate([[0.0], np.cumsum(np.diff(hours) * (speed[1:] + speed[:-1]) / 2)])
    return Path(hours, temp, units, dough.ripeness + units / dough.hours_at_26)


@dataclass(frozen=True, slots=True)
class Ripening:
    """When a dough may be used from, is ripe, is over, and over the rim (hours; None: not on this path); its end."""

    early_h: float | None
    ripe_h: float | None
    over_h: float | None
    rim_h: float | None
    ripeness_at_end: float
    dough_c_at_end: float


def ripening_of(path: Path, organism: Organism, rim_ripeness: float | None = None) -> Ripening:
    """Return the gates of a path; `rim_ripeness` is its ripeness at the rim (None: it never gets there)."""
    return Ripening(
        path.reaches(organism.window_low),
        path.reaches(RIPE),
        path.reaches(organism.window_high),
        None if rim_ripeness is None else path.reaches(rim_ripeness),
        path.end_ripeness,
        path.end_c,
    )
