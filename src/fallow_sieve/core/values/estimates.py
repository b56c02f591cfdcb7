"""Numbers that are not exact: a range for one ingredient, an estimate for a mix.

A range says where the user's own bag lies 19 times in 20. It may be skewed, so it has a σ a side: σ₋ = (typical − low)
/ 1.96 and σ₊ = (high − typical) / 1.96, two halves of normal distributions that meet at the typical value.
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass

from fallow_sieve.core.values.errors import BadInputError

Z_95 = 1.96
KNOWN_TOLERANCE_PCT = 1e-9


@dataclass(frozen=True, slots=True)
class Range:
    """A content or property of one ingredient: low ≤ typical ≤ high, in the unit its field names."""

    low: float
    typical: float
    high: float

    def __post_init__(self) -> None:
        if -math.inf < self.low <= self.typical <= self.high < math.inf:
            return
        if not all(map(math.isfinite, (self.low, self.typical, self.high))):
            raise BadInputError("a range must be of finite numbers", right="leave out what is not known")
        raise BadInputError(
            f"low {self.low:g}, typical {self.typical:g}, high {self.high:g} are out of order",
            right="low must not exceed typical, nor typical high",
        )

    @property
    def sigma_low(self) -> float:
        """The standard deviation below the typical value, in the range's unit."""
        return (self.typical - self.low) / Z_95

    @property
    def sigma_high(self) -> float:
        """The standard deviation above the typical value, in the range's unit."""
        return (self.high - self.typical) / Z_95


def exactly(value: float) -> Range:
    """Return a range without width, in the unit of `value`."""
    return Range(value, value, value)


def around(typical: float, relative_pct: float) -> Range:
    """Return typical ± `relative_pct` %, in the unit of `typical`.

    >>> around(10.0, 20)
    Range(low=8.0, typical=10.0, high=12.0)
    """
    reach = abs(typical) * relative_pct / 100
    return Range(typical - reach, typical, typical + reach)


def spread_of(terms: Iterable[tuple[float, Range]]) -> tuple[float, float]:
    """Return how far Σ weight × value reaches down and up (95 %), the values independent; in the sum's unit.

    A negative weight turns a range over: what lies above its typical value lowers the sum.

    >>> spread_of([(1.0, Range(7, 10, 14)), (-1.0, Range(2, 2, 5))])
    (4.242640687119285, 4.0)
    """
    below = above = 0.0
    for weight, r in terms:
        down, up = weight * (r.typical - r.low), weight * (r.high - r.typical)
        if weight < 0:
            down, up = up, down
        below, above = below + down * down, above + up * up
    return math.sqrt(below), math.sqrt(above)


@dataclass(frozen=True, slots=True)
class Estimate:
    """A number of a mix with its 95 % interval, in the unit its name says.

    Where part of the mix lacks the value, `known_mass_pct` is under 100, `typical` is the sum of what is known
    (a lower bound) and `high` is None: unknown is not zero. Where nothing is known, all three are None.
    """

    typical: float | None
    low: float | None
    high: float | None
    known_mass_pct: float = 100.0
    sigma_low: float = 0.0
    sigma_high: float = 0.0

    @property
    def is_known(self) -> bool:
        """Whether every part that counts has a value (True) or the number is a lower bound at most."""
        return self.typical is not None and self.known_mass_pct >= 100 - KNOWN_TOLERANCE_PCT

    def times(self, factor: float) -> Estimate:
        """Return the estimate of `factor` times as much, in the same unit; what is unknown stays so."""
        return Estimate(
            None if self.typical is None else self.typical * factor,
            None if self.low is None else self.low * factor,
            None if self.high is None else self.high * factor,
            self.known_mass_pct,
            self.sigma_low * factor,
            self.sigma_high * factor,
        )


UNKNOWN = Estimate(None, None, None, 0.0)


def estimate(
    typical: float,
    sigma_low: float,
    sigma_high: float,
    known_mass_pct: float = 100.0,
    *,
    floor: float = 0.0,
    ceiling: float = math.inf,
) -> Estimate:
    """Return typical − 1.96 σ₋ to typical + 1.96 σ₊, cut to [floor, ceiling], all in one unit.

    With less than 100 % of the mass known it is a lower bound; see `Estimate`.

    >>> estimate(10.0, 1.0, 2.0).high
    13.92
    """
    if known_mass_pct <= KNOWN_TOLERANCE_PCT:
        return UNKNOWN
    low = max(floor, typical - Z_95 * sigma_low)
    if known_mass_pct < 100 - KNOWN_TOLERANCE_PCT:
        return Estimate(typical, min(low, typical), None, known_mass_pct, sigma_low, sigma_high)
    high = max(typical, min(ceiling, typical + Z_95 * sigma_high))
    return Estimate(typical, min(low, typical), high, 100.0, sigma_low, sigma_high)


def probability_between(typical: float, sigma_low: float, sigma_high: float, low: float, high: float) -> float:
    """Return the probability (0–1) that a value with this median and a σ a side lies between low and high.

    The limits may be infinite; without spread on a side it is at the median there.

    >>> round(probability_between(0.0, 1.0, 1.0, -1.96, 1.96), 3)
    0.95
    """
    below = _half(sigma_low, typical - high, typical - low)
    above = _half(sigma_high, low - typical, high - typical)
    return (below + above) / 2


def _half(sigma: float, near: float, far: float) -> float:
    """The share of one side, a half normal distribution, that lies from `near` to `far` of the median."""
    if far < 0:
        return 0.0
    if sigma <= 0:
        return 1.0 if near <= 0 else 0.0
    scale = sigma * math.sqrt(2)
    return math.erf(far / scale) - math.erf(max(0.0, near) / scale)
