"""What a kitchen's own plans teach: how fast its doughs rise, how warm its mixing leaves them, how its ovens heat.

Rises: ln(hours at 26 °C ÷ planned), by kitchen, use and formula, each sd 0.15, and 0.15 from one to the next. Doughs:
measured − planned °C, sd 1.0, 0.7 and 0.7 K, and 0.8 K. Ovens: ln(minutes ÷ predicted), by kitchen and oven, sd 0.2
each, and 0.1. Rules of thumb (`learners.csv`; the oven's is the method's own). As water learns.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.numerics.nested_normal import learn_levels
from fallow_sieve.core.values import Z_95, BadInputError, counted

LEVEL_SDS = (0.15, 0.15, 0.15)
RISE_SD = 0.15
DOUGH_SDS_K = (1.0, 0.7, 0.7)
DOUGH_SD_K = 0.8
OVEN_SDS = (0.2, 0.2)
OVEN_SD = 0.1
_LEVELS = ("kitchen", "use", "formula")
_MOST_APART = math.log(5)
_MOST_APART_K = 15.0


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


@dataclass(frozen=True, slots=True)
class MixedDough:
    """A dough that was measured as it was mixed: its use and formula, the °C it was planned at and those it had."""

    use: str
    formula: str
    planned_c: float
    dough_c: float


@dataclass(frozen=True, slots=True)
class Warmer:
    """How much warmer (K) a dough is than planned, its 95 % reach for one dough, and how many doughs say so."""

    offset_k: float
    reach_k: float
    doughs: int


def check_dough(dough: MixedDough) -> None:
    """Raise BadInputError for a dough that is further from its plan than a slip of the thermometer."""
    if abs(dough.dough_c - dough.planned_c) > _MOST_APART_K:
        wrong = f"a dough of {dough.dough_c:.0f} °C where {dough.planned_c:.0f} was planned"
        raise BadInputError(wrong, place="/dough_c", right="check the reading: over 15 K off is taken for a slip")


def warmth_of(doughs: Sequence[MixedDough], use: str, formula: str) -> Warmer:
    """Return how much warmer (K) the next dough of `formula` will be than is planned, by those that were measured."""
    for dough in doughs:
        check_dough(dough)
    seen = [((d.use, d.formula), d.dough_c - d.planned_c) for d in doughs]
    levels = learn_levels(seen, (use, formula), DOUGH_SDS_K, DOUGH_SD_K)
    return Warmer(levels[-1].mean, Z_95 * math.hypot(levels[-1].sd, DOUGH_SD_K), levels[0].count)


@dataclass(frozen=True, slots=True)
class HeatedOven:
    """An oven that was heated: its name, the minutes that were predicted and those it took."""

    oven: str
    predicted_min: float
    took_min: float


def check_heating(heat: HeatedOven) -> None:
    """Raise BadInputError unless both minutes are over 0 and within a factor of five."""
    if not (0 < heat.predicted_min < math.inf and 0 < heat.took_min < math.inf):
        raise BadInputError("an oven's minutes", place="/took_min", right="both over 0")
    if abs(math.log(heat.took_min / heat.predicted_min)) > _MOST_APART:
        wrong = f"{heat.took_min:.0f} min to heat where {heat.predicted_min:.0f} was predicted"
        raise BadInputError(wrong, place="/took_min", right="five times as long, or a fifth, is taken for a slip")


def heating_of(heats: Sequence[HeatedOven], oven: str) -> tuple[float, int]:
    """Return the factor on the minutes in which `oven` heats, and how many heatings stand behind it."""
    for heat in heats:
        check_heating(heat)
    seen = [((h.oven,), math.log(h.took_min / h.predicted_min)) for h in heats]
    levels = learn_levels(seen, (oven,), OVEN_SDS, OVEN_SD)
    return math.exp(levels[-1].mean), levels[-1].count or levels[0].count


@dataclass(frozen=True, slots=True)
class Taught:
    """Everything that a kitchen's plans have taught so far."""

    rises: tuple[FinishedRise, ...] = ()
    doughs: tuple[MixedDough, ...] = ()
    heats: tuple[HeatedOven, ...] = ()
