"""What readings of a rise say of when the dough will be ripe: a Gompertz curve, fitted with what is known before.

A, μ and λ on the log scale with priors from the step (sd 0.20, 0.30, 0.35), a reading's sd 3 points; bounded least
squares; the interval of the time by the delta method on ln t. Times are hours at 26 °C of what was read.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from scipy.optimize import least_squares

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.schedule.ripening.rise import ATTAINED, LAG, PLATEAU_FLAG, SHAPE
from fallow_sieve.core.values import Z_95, BadInputError

READING_SD = 3.0
PRIOR_SD = np.array([0.20, 0.30, 0.35])
_REACH = 3.0  # sd that a parameter may go from where it was expected


@dataclass(frozen=True, slots=True)
class Reading:
    """A reading of the rise: hours at 26 °C since it was mixed, and the rise in % (100 (h/h₀ − 1))."""

    hours: float
    rise_pct: float


@dataclass(frozen=True, slots=True)
class Watched:
    """The fitted curve: plateau (%), greatest slope (% an hour) and lag (h), the hours to the target, and flags.

    Hours at 26 °C; `ripe_h` and its 95 % interval are None where the plateau lies under the target.
    """

    plateau_pct: float
    slope_pct_per_h: float
    lag_h: float
    ripe_h: float | None
    low_h: float | None
    high_h: float | None
    flags: tuple[str, ...]


def watch(readings: Sequence[Reading], target_pct: float, hours_at_26: float) -> Watched:
    """Return what `readings` say of a step that is to rise by `target_pct` % in `hours_at_26` hours at 26 °C.

    Raises BadInputError for a target, hours or readings that cannot be.
    """
    if target_pct <= 0 or hours_at_26 <= 0:
        raise BadInputError("a rise to nothing", place="/target_rise_pct", right="give a rise and hours over 0")
    for n, r in enumerate(readings):
        if not (math.isfinite(r.hours) and r.hours >= 0 and -50 <= r.rise_pct <= 1000):
            right = "hours from 0, a rise from −50 to 1000 %"
            raise BadInputError(f"{r.rise_pct:g} % after {r.hours:g} h", place=f"/readings/{n}", right=right)
    return _watched(tuple(readings), target_pct, hours_at_26)


@lru_cache(maxsize=512)
def _watched(readings: tuple[Reading, ...], target_pct: float, hours_at_26: float) -> Watched:
    plateau = target_pct / ATTAINED
    prior = np.log([plateau, SHAPE * plateau / (math.e * hours_at_26), LAG * hours_at_26])
    hours = np.array([r.hours for r in readings], dtype=float)
    rises = np.array([r.rise_pct for r in readings], dtype=float)

    def misses(p: Array) -> Array:
        return np.concatenate([(_curve(hours, p) - rises) / READING_SD, (p - prior) / PRIOR_SD])

    bounds = (prior - _REACH * PRIOR_SD, prior + _REACH * PRIOR_SD)
    found = least_squares(misses, prior, bounds=bounds, xtol=1e-12, ftol=1e-12, gtol=1e-12)
    covariance = np.linalg.inv(found.jac.T @ found.jac)
    a, mu, lag = (float(x) for x in np.exp(found.x))
    ripe, low, high = _when(found.x, covariance, target_pct)
    return Watched(a, mu, lag, ripe, low, high, _flags(readings, found.x, target_pct))


def _curve(hours: Array, p: Array) -> Array:
    a, mu, lag = np.exp(p)
    return np.asarray(a * np.exp(-np.exp(np.minimum(mu * math.e * (lag - hours) / a + 1, 50))))


def _hours_to(p: Array, target_pct: float) -> float:
    a, mu, lag = (float(x) for x in np.exp(p))
    return lag + (1 - math.log(-math.log(target_pct / a))) * a / (mu * math.e)


def _when(p: Array, covariance: Array, target_pct: float) -> tuple[float, float, float] | tuple[None, None, None]:
    """The hours to the target with their interval; the gradient by central differences."""
    if target_pct >= math.exp(p[0]):
        return None, None, None
    hours = _hours_to(p, target_pct)
    gradient = np.zeros(3)
    for n in range(3):
        step = np.zeros(3)
        step[n] = 1e-6
        if target_pct < math.exp(p[0] - step[0]):
            gradient[n] = (_hours_to(p + step, target_pct) - _hours_to(p - step, target_pct)) / 2e-6
    spread = math.sqrt(float(gradient @ covariance @ gradient)) / hours
    return hours, hours * math.exp(-Z_95 * spread), hours * math.exp(Z_95 * spread)


def _flags(readings: Sequence[Reading], p: Array, target_pct: float) -> tuple[str, ...]:
    found = []
    a = math.exp(p[0])
    if readings:
        last = max(readings, key=lambda r: r.hours)
        if float(_curve(np.array([last.hours]), p)[0]) > PLATEAU_FLAG * a:
            found.append("past 90 % of its plateau: bake it now")
        highest = max(r.rise_pct for r in readings)
        if last.rise_pct <= highest - 2 * READING_SD:
            found.append(f"it has sunk from {highest:.0f} to {last.rise_pct:.0f} %: it is over")
    if target_pct >= a:
        found.append(f"it will not get there: it levels off at about {a:.0f} %")
    return tuple(found)
