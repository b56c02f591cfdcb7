"""Numbers that are not exact: a range for one ingredient, an estimate for a mix.

A range says where the user's own bag lies 19 times in 20, so σ = (high − low) / 3.92.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from fallow_sieve.core.values.errors import BadInputError

Z_95 = 1.96
RANGE_IN_SIGMA = 2 * Z_95
KNOWN_TOLERANCE_PCT = 1e-9


@dataclass(frozen=True, slots=True)
class Range:
    """A content or property of one ingredient: low ≤ typical ≤ high, in the unit its field names."""

    low: float
    typical: float
    high: float

    def __post_init__(self) -> None:
        if not all(map(math.isfinite, (self.low, self.typical, self.high))):
            raise BadInputError("a range must be of finite numbers", right="leave out what is not known")
        if not self.low <= self.typical <= self.high:
            raise BadInputError(
                f"low {self.low:g}, typical {self.typical:g}, high {self.high:g} are out of order",
                right="low must not exceed typical, nor typical high",
            )

    @property
    def sigma(self) -> float:
        """The standard deviation, in the range's unit: (high − low) / 3.92."""
        return (self.high - self.low) / RANGE_IN_SIGMA


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
    sigma: float = 0.0

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
            self.sigma * factor,
        )


UNKNOWN = Estimate(None, None, None, 0.0)


def estimate(
    typical: float,
    sigma: float,
    known_mass_pct: float = 100.0,
    *,
    floor: float = 0.0,
    ceiling: float = math.inf,
) -> Estimate:
    """Return typical ± 1.96 σ cut to [floor, ceiling], all in one unit.

    With less than 100 % of the mass known it is a lower bound; see `Estimate`.

    >>> estimate(10.0, 1.0).high
    11.96
    """
    if known_mass_pct <= KNOWN_TOLERANCE_PCT:
        return UNKNOWN
    low = max(floor, typical - Z_95 * sigma)
    if known_mass_pct < 100 - KNOWN_TOLERANCE_PCT:
        return Estimate(typical, min(low, typical), None, known_mass_pct, sigma)
    return Estimate(typical, min(low, typical), max(typical, min(ceiling, typical + Z_95 * sigma)), 100.0, sigma)


def probability_between(typical: float, sigma: float, low: float, high: float) -> float:
    """Return the probability (0–1) that a normal value with this mean and σ lies between low and high.

    The limits may be infinite; without spread it is 1 on or inside the limits, else 0.

    >>> round(probability_between(0.0, 1.0, -1.96, 1.96), 3)
    0.95
    """
    if sigma <= 0:
        return 1.0 if low <= typical <= high else 0.0
    scale = sigma * math.sqrt(2)
    return 0.5 * (math.erf((high - typical) / scale) - math.erf((low - typical) / scale))
