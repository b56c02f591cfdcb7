"""Bodies that take on the temperature round them: dough, jar and oven alike, dT/dt = (E − T)/τ (Newton).

τ = τ₁ · (mass / 1 kg)^a hours by container; both are from one-term conduction solutions, or rules of thumb, as the
table says. Surroundings are functions of the hours since a beginning, so that they may follow the day.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.values import BadInputError

STEP_H = 1 / 60
_WARMEST_HOUR = 16.0
Surroundings = Callable[[Array], Array]  # hours since the beginning → °C


@dataclass(frozen=True, slots=True)
class Container:
    """What a dough stands in: its time constant for 1 kg (hours, with its range) and the exponent of mass."""

    name: str
    tau_1kg_h: float
    mass_exponent: float
    low_tau_1kg_h: float
    high_tau_1kg_h: float

    def tau_h(self, mass_g: float) -> float:
        """Return the time constant (hours) of `mass_g` g. Raises BadInputError for no mass."""
        if not (math.isfinite(mass_g) and mass_g > 0):
            raise BadInputError(f"a dough of {mass_g:g} g", place="/mass_g", right="it must be over 0 g")
        return float(self.tau_1kg_h * (mass_g / 1000) ** self.mass_exponent)


@dataclass(frozen=True, slots=True)
class Leg:
    """A stretch of time in one place: how many hours, what is round it, and the body's time constant there, hours."""

    hours: float
    around: Surroundings
    tau_h: float


def steady(temp_c: float) -> Surroundings:
    """Return surroundings that stay at `temp_c` °C."""
    return lambda hours: np.full_like(hours, temp_c)


def day_and_night(mean_c: float, swing_k: float, begin_hour: float) -> Surroundings:
    """Return surroundings of `mean_c` °C ± `swing_k` K, warmest at 16:00, from the hour of the day `begin_hour`."""
    return lambda hours: mean_c + swing_k * np.cos(2 * np.pi * (hours + begin_hour - _WARMEST_HOUR) / 24)


def drifting(from_c: float, to_c: float, tau_h: float) -> Surroundings:
    """Return a body as surroundings: at `from_c` °C, drifting to `to_c` °C with `tau_h` (an oven switched off)."""
    return lambda hours: to_c + (from_c - to_c) * np.exp(-hours / tau_h)


def drift_hours(from_c: float, around_c: float, until_c: float, tau_h: float) -> float:
    """Return the hours in which a body at `from_c` reaches `until_c` among `around_c` (all °C); inf where never."""
    if from_c == until_c:
        return 0.0
    share = (until_c - around_c) / (from_c - around_c) if from_c != around_c else 0.0
    return -tau_h * math.log(share) if 0 < share <= 1 else math.inf


def hours_of(legs: Sequence[Leg]) -> Array:
    """Return the instants (hours) of all legs at one-minute steps, the end of each leg among them."""
    found = [_one(0.0)]
    begin = 0.0
    for leg in legs:
        steps = max(1, math.ceil(leg.hours / STEP_H - 1e-9))
        inner: Array = begin + STEP_H * np.arange(1.0, steps)
        found += [inner, _one(begin + leg.hours)]
        begin += leg.hours
    return np.concatenate(found)


def temperatures(start_c: float, legs: Sequence[Leg], hours: Array) -> Array:
    """Return the °C at each of `hours` of a body that is at `start_c` °C at first.

    Each step is the exact exponential towards what is round it in the middle of the step.
    """
    found = [_one(start_c)]
    at, begin = 1, 0.0
    for leg in legs:
        steps = max(1, math.ceil(leg.hours / STEP_H - 1e-9))
        ends = hours[at - 1 : at + steps]
        around = leg.around((ends[1:] + ends[:-1]) / 2)
        found.append(_filtered(float(found[-1][-1]), around, np.diff(ends), leg.tau_h))
        at, begin = at + steps, begin + leg.hours
    return np.concatenate(found)


def _one(value: float) -> Array:
    return np.array([value], dtype=np.float64)


def _filtered(start_c: float, around: Array, steps_h: Array, tau_h: float) -> Array:
    """T after each step; all steps but the last are one minute, so that the recurrence is a filter."""
    from scipy.signal import lfilter  # loaded when a day is first planned

    whole = len(steps_h) - 1
    keep = math.exp(-STEP_H / tau_h)
    body = lfilter([1 - keep], [1, -keep], around[:whole], zi=[keep * start_c])[0] if whole else np.empty(0)
    before = float(body[-1]) if whole else start_c
    last = around[-1] + (before - around[-1]) * math.exp(-float(steps_h[-1]) / tau_h)
    return np.append(body, last)
