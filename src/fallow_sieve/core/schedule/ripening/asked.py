"""A dough's ripening as it is asked for: what it is, what it stands in, where it goes; and what is answered."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.schedule.ripening.bodies import Container, Leg, steady
from fallow_sieve.core.schedule.ripening.organism import (
    TRUSTED_AMOUNTS,
    USUAL_SALT_PCT,
    USUAL_WATER_PCT,
    Organism,
    amount_factor,
    is_trusted,
    water_factor,
)
from fallow_sieve.core.schedule.ripening.path import Dough, Path, Ripening, ripen, ripening_of
from fallow_sieve.core.schedule.ripening.rise import rim_ripeness
from fallow_sieve.core.schedule.ripening.watch import Reading, Watched, watch
from fallow_sieve.core.values import BadInputError


@dataclass(frozen=True, slots=True)
class Asked:
    """A dough in a container of `mass_g` g, at `dough_c` °C, with its hours at 26 °C at the reference amount.

    `path` is hours and °C of each place in turn. Salt, sugar and water are % of flour, rise and fill %.
    """

    organism: Organism
    container: Container
    mass_g: float
    dough_c: float
    path: tuple[tuple[float, float], ...]
    reference_hours: float
    amount_ratio: float = 1.0
    salt_pct: float = USUAL_SALT_PCT
    sugar_pct: float = 0.0
    water_pct: float = USUAL_WATER_PCT
    target_rise_pct: float | None = None
    fill_pct: float | None = None

    @property
    def hours_at_26(self) -> float:
        """Its hours at 26 °C with its own yeast, salt and sugar. Raises BadInputError where it cannot ferment."""
        by_water = water_factor(self.salt_pct, self.sugar_pct, self.water_pct, self.organism)
        if by_water <= 0:
            right = "less salt or sugar, or more water"
            raise BadInputError("so much salt and sugar that nothing ferments", place="/sugar_pct", right=right)
        return self.reference_hours / (amount_factor(self.amount_ratio, self.organism) * by_water)

    def way(self) -> Path:
        """Return the dough's way through its places."""
        tau = self.container.tau_h(self.mass_g)
        legs = [Leg(hours, steady(around_c), tau) for hours, around_c in self.path]
        return ripen(Dough(self.organism, self.hours_at_26, self.dough_c), legs)


def gates(asked: Asked) -> Ripening:
    """Return when the dough may be used, is ripe, over, and over the rim (hours)."""
    rim = None
    if asked.fill_pct is not None and asked.target_rise_pct is not None:
        rim = rim_ripeness(asked.fill_pct / 100, asked.target_rise_pct)
    return ripening_of(asked.way(), asked.organism, rim)


def notes(asked: Asked) -> tuple[str, ...]:
    """Return what should be known of the answer, as sentences."""
    if is_trusted(asked.amount_ratio):
        return ()
    low, high = TRUSTED_AMOUNTS
    return (f"The rule for the amount of yeast is trusted from {low:g} to {high:g} times the usual, not here.",)


@dataclass(frozen=True, slots=True)
class Expected:
    """When a watched dough will be ripe (hours; None where not on the path), its 95 % interval, flags, the fit."""

    ripe_h: float | None
    low_h: float | None
    high_h: float | None
    flags: tuple[str, ...]
    fit: Watched


def expected(asked: Asked, readings: Sequence[tuple[float, float]], jar: Asked | None = None) -> Expected:
    """Return when the dough will have risen as wanted, by `readings` (hours, % rise), of itself or of its `jar`.

    A small jar follows the room, the dough does not: what the jar tells is carried over in hours at 26 °C.
    Raises BadInputError without a wanted rise.
    """
    if asked.target_rise_pct is None:
        raise BadInputError("no rise is wanted", place="/target_rise_pct", right="say the rise when ripe, %")
    way = asked.way()
    read = jar.way() if jar else way
    if any(hours > read.hours[-1] + 1e-9 for hours, _ in readings):
        raise BadInputError("a reading after the path ends", place="/readings", right="let the path reach further")
    at = [Reading(_units_at(read, hours), rise) for hours, rise in readings]
    fit = watch(at, asked.target_rise_pct, asked.hours_at_26)
    ripe, low, high = (None if u is None else way.hours_at(u) for u in (fit.ripe_h, fit.low_h, fit.high_h))
    return Expected(ripe, low, high, fit.flags, fit)


def _units_at(way: Path, hours: float) -> float:
    units: Array = way.units
    return float(np.interp(hours, way.hours, units))


def in_jar(asked: Asked, jar: Container, jar_g: float, jar_c: float | None = None) -> Asked:
    """Return the same dough in a jar of `jar_g` g (°C as the dough, unless `jar_c` says otherwise)."""
    return replace(asked, container=jar, mass_g=jar_g, dough_c=asked.dough_c if jar_c is None else jar_c)
