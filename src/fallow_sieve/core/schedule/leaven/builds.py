"""Building a leaven: when a build peaks, and grams counted back from what is needed to what comes from the jar.

peak = (lag + lag per fridge day · days + ln D)/(μ r), D = (seed + flour + water)/seed. r is the speed at the build's
temperature: the slower of yeast's and of the leaven's own curve, which ends at 40 °C. Ratios, lags and windows are
rules of thumb (`starters.csv`, `starter_rest.csv`).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.values import BadInputError

ROUND_G = 5.0
MOST_DILUTION = 30.0
_YEAST = Organism("yeast")


@dataclass(frozen=True, slots=True)
class Ratio:
    """Seed : flour : water of a build, by mass."""

    seed: float
    flour: float
    water: float

    @property
    def dilution(self) -> float:
        """How many times its seed a build weighs."""
        return (self.seed + self.flour + self.water) / self.seed


@dataclass(frozen=True, slots=True)
class Starter:
    """How a starter works: its usual ratio, growth μ (per hour at 26 °C), lag (in ln D) and what a fridge day adds.

    `window_low` and `window_high` are shares of the time to its peak in which it may be used; `keep_out_units` the
    hours at 26 °C that a kept-back jar stands out before the fridge.
    """

    school: str
    ratio: Ratio
    mu_per_h: float
    lag: float
    lag_per_fridge_day: float
    t_max_c: float
    window_low: float
    window_high: float
    keep_back_g: float
    keep_out_units: float
    least_build_g: float
    loss_pct: float

    def speed(self, temp_c: float) -> float:
        """Return how fast it grows at `temp_c` °C, 1 at 26 °C."""
        own = Organism("leaven", t_max_c=self.t_max_c)
        return min(float(own.speed(temp_c)), float(_YEAST.speed(temp_c)))


@dataclass(frozen=True, slots=True)
class Build:
    """One build: seed, flour and water (g), hours to its peak, and from when to when it may be used (hours)."""

    seed_g: float
    flour_g: float
    water_g: float
    peak_h: float
    usable_from_h: float
    usable_to_h: float

    @property
    def total_g(self) -> float:
        """What it weighs when mixed, g."""
        return self.seed_g + self.flour_g + self.water_g


@dataclass(frozen=True, slots=True)
class LeavenPlan:
    """Builds in the order of the work, the last the leaven; g from the jar, kept back, lost in bowls, left over."""

    builds: tuple[Build, ...]
    from_jar_g: float
    keep_back_g: float
    lost_g: float
    left_over_g: float


def check_ratio(ratio: Ratio, place: str = "/ratio") -> None:
    """Raise BadInputError for a ratio that builds nothing, or feeds too much at once."""
    if not all(math.isfinite(x) and x > 0 for x in (ratio.seed, ratio.flour, ratio.water)):
        raise BadInputError("the ratio", place=place, right="seed, flour and water, each over 0, as 1, 2, 2")
    if ratio.dilution > MOST_DILUTION:
        right = f"at most {MOST_DILUTION:.0f} times the seed: it would sour before it is full of life"
        raise BadInputError(f"a build of {ratio.dilution:.0f} times its seed", place=place, right=right)


def peak_hours(dilution: float, temp_c: float, starter: Starter, fridge_days: float = 0.0) -> float:
    """Return the hours to the peak of a build at `temp_c` °C. Raises BadInputError where it is too cold or hot."""
    speed = starter.speed(temp_c)
    if speed <= 0:
        raise BadInputError(f"a build at {temp_c:g} °C", place="/temp_c", right="between 3 and 40 °C, best 22 to 28")
    return (starter.lag + starter.lag_per_fridge_day * fridge_days + math.log(dilution)) / (starter.mu_per_h * speed)


def dilution_for(hours: float, temp_c: float, starter: Starter, fridge_days: float = 0.0) -> float:
    """Return how many times its seed a build must weigh to peak after `hours` at `temp_c` °C."""
    lag = starter.lag + starter.lag_per_fridge_day * fridge_days
    return math.exp(starter.mu_per_h * starter.speed(temp_c) * hours - lag)


def count_back(
    need_g: float, keep_back_g: float, ratios: Sequence[Ratio], temp_c: float, starter: Starter, rest_days: float
) -> LeavenPlan:
    """Return builds that end in `need_g` g of leaven, with `keep_back_g` g kept back of the last before it.

    `ratios` are those of the refreshes in order and of the leaven last; the jar rested `rest_days` in the fridge.
    Builds are rounded up to 5 g. Raises BadInputError for amounts that cannot be.
    """
    if not (math.isfinite(need_g) and 0 < need_g <= 1e6):
        raise BadInputError(f"{need_g:g} g of leaven", place="/need_g", right="over 0 g and at most a tonne")
    if not (math.isfinite(keep_back_g) and 0 <= keep_back_g <= 1e5):
        raise BadInputError(f"{keep_back_g:g} g kept back", place="/keep_back_g", right="from 0 g to 100 kg")
    if not (math.isfinite(rest_days) and 0 <= rest_days <= 365):
        raise BadInputError(f"{rest_days:g} days of rest", place="/rest_days", right="from 0 to 365")
    totals = _totals(need_g, keep_back_g, ratios, starter)
    builds = [
        _build(total, ratio, temp_c, starter, rest_days if n == 0 else 0.0)
        for n, (total, ratio) in enumerate(zip(totals, ratios, strict=True))
    ]
    made = sum(b.total_g for b in builds)
    lost = made - made / (1 + starter.loss_pct / 100)
    carried = sum(b.seed_g for b in builds[1:])
    return LeavenPlan(tuple(builds), builds[0].seed_g, keep_back_g, lost, made - lost - carried - need_g - keep_back_g)


def _totals(need_g: float, keep_back_g: float, ratios: Sequence[Ratio], starter: Starter) -> list[float]:
    """What each build weighs, counted back from the leaven."""
    loss, wanted, found = 1 + starter.loss_pct / 100, need_g, []
    for back, ratio in enumerate(reversed(ratios)):
        keep = keep_back_g if back == min(1, len(ratios) - 1) else 0.0
        least = (wanted + keep) * loss
        total = max(starter.least_build_g, math.ceil(round(least / ROUND_G, 9)) * ROUND_G)
        found.append(total)
        wanted = total / ratio.dilution
    return found[::-1]


def _build(total_g: float, ratio: Ratio, temp_c: float, starter: Starter, fridge_days: float) -> Build:
    seed = total_g / ratio.dilution
    peak = peak_hours(ratio.dilution, temp_c, starter, fridge_days)
    return Build(
        seed,
        seed * ratio.flour / ratio.seed,
        seed * ratio.water / ratio.seed,
        peak,
        peak * starter.window_low,
        peak * starter.window_high,
    )


@dataclass(frozen=True, slots=True)
class Preferment:
    """A preferment: its flour, water and yeast in g, and its yeast in % of its own flour."""

    flour_g: float
    water_g: float
    yeast_g: float
    yeast_pct: float


def preferment(
    flour_g: float, share_pct: float, water_pct: float, units: float, reference_hours: float, reference_pct: float
) -> Preferment:
    """Return a preferment of `share_pct` % of `flour_g` g of flour, with `water_pct` % of water on its flour.

    It is ready after `units` hours at 26 °C, where `reference_pct` % of yeast on its flour takes `reference_hours`.
    Raises BadInputError for shares that cannot be.
    """
    if not 0 < share_pct <= 100:
        raise BadInputError(f"a preferment of {share_pct:g} % of the flour", right="over 0 and at most 100 %")
    own = flour_g * share_pct / 100
    pct = reference_pct * (reference_hours / units) ** (1 / _YEAST.amount_exponent)
    return Preferment(own, own * water_pct / 100, own * pct / 100, pct)
