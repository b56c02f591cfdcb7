"""What finished rises teach: ln(hours at 26 °C ÷ planned), by kitchen, use and formula, each level sd 0.15.

One rise differs from the next by 0.15 more (rules of thumb: `learners.csv`, fermentation). As water learns.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.numerics.nested_normal import learn_levels
from fallow_sieve.core.values import Z_95, BadInputError, counted

LEVEL_SDS = (0.15, 0.15, 0.15)
RISE_SD = 0.15
_LEVELS = ("kitchen", "use", "formula")
_MOST_APART = math.log(5)


@dataclass(frozen=True, slots=True)
class FinishedRise:
    """A rise that ended: its use and formula, the hours at 26 °C it was planned to take and those it took."""

    use: str
    formula: str
    planned_h: float
    took_h: float


@dataclass(frozen=True, slots=True)
class Pace:
    """What is known of how long a rise takes: a factor on the plan, its 95 % reach, how many rises, of which level."""

    factor: float
    low_factor: float
    high_factor: float
    rises: int
    level: str

    @property
    def say(self) -> str:
        """What stands behind the factor, in words."""
        if not self.rises:
            return "No rise has taught anything yet: this is the rule of thumb."
        by = 100 * (self.factor - 1)
        way = "as planned" if abs(by) < 1 else f"{abs(by):.0f} % {'slower' if by > 0 else 'faster'} than planned"
        of = {"formula": "of this formula", "use": "of this kind", "kitchen": "of this kitchen"}[self.level]
        return f"{counted(self.rises, 'rise')} {of}: {way}."


def check_rise(rise: FinishedRise) -> None:
    """Raise BadInputError unless both hours are over 0 and within a factor of five."""
    if not (0 < rise.planned_h < math.inf and 0 < rise.took_h < math.inf):
        raise BadInputError("a rise's hours", place="/took_h", right="both over 0")
    if abs(math.log(rise.took_h / rise.planned_h)) > _MOST_APART:
        right = "check the times: five times as long, or a fifth, is taken for a slip"
        raise BadInputError(
            f"{rise.took_h:.1f} h where {rise.planned_h:.1f} h was planned", place="/took_h", right=right
        )


def pace_of(rises: Sequence[FinishedRise], use: str, formula: str) -> Pace:
    """Return what `rises` teach about the next rise of `formula`, with the 95 % interval of a single one."""
    for rise in rises:
        check_rise(rise)
    seen = [((r.use, r.formula), math.log(r.took_h / r.planned_h)) for r in rises]
    levels = learn_levels(seen, (use, formula), LEVEL_SDS, RISE_SD)
    own = levels[-1]
    behind = next((n for n in reversed(range(3)) if levels[n].count), 2)
    reach = Z_95 * math.hypot(own.sd, RISE_SD)
    return Pace(
        math.exp(own.mean),
        math.exp(own.mean - reach),
        math.exp(own.mean + reach),
        levels[behind].count,
        _LEVELS[behind],
    )
