"""A dough to ripen, its readings, and a leaven to build, as files that `ripen`, `rise` and `starter` read."""

from __future__ import annotations

from pydantic import Field

from fallow_sieve.formats.shared import Strict


class LegIn(Strict):
    """A stretch of time: hours, and °C round the dough."""

    hours: float = Field(gt=0, le=1440)
    env_c: float = Field(ge=-40, le=100)


class DoughIn(Strict):
    """A dough: hours at 26 °C with the usual yeast, how many times the usual yeast it has, where it stands and goes.

    Salt, sugar and water are % of flour; `target_rise_pct` is the rise when ripe, `fill_pct` how full its tin is.
    """

    reference_hours: float = Field(gt=0, le=240)
    amount_ratio: float = Field(default=1.0, gt=0, le=100)
    organism: str = Field(default="yeast", max_length=40)
    container: str = Field(default="covered-bowl", max_length=40)
    mass_g: float = Field(gt=0, le=1e6)
    dough_c: float = Field(ge=-5, le=60)
    path: list[LegIn] = Field(min_length=1, max_length=100)
    target_rise_pct: float | None = Field(default=None, gt=0, le=400)
    fill_pct: float | None = Field(default=None, gt=0, le=100)
    salt_pct: float = Field(default=2.0, ge=0, le=20)
    sugar_pct: float = Field(default=0.0, ge=0, le=200)
    water_pct: float = Field(default=75.0, gt=0, le=1000)


class ReadingIn(Strict):
    """A reading: hours since the dough was mixed, and its rise, % of its height at first."""

    hours: float = Field(ge=0, le=1440)
    rise_pct: float = Field(ge=-50, le=1000)


class JarIn(Strict):
    """The jar that was read, where it was not the dough itself: its container, g, and °C at first."""

    container: str = Field(default="sample-jar", max_length=40)
    mass_g: float = Field(default=170, gt=0, le=1e5)
    dough_c: float | None = Field(default=None, ge=-5, le=60)


class RiseIn(DoughIn):
    """A dough with its readings."""

    readings: list[ReadingIn] = Field(max_length=200)
    jar: JarIn | None = None


class StarterIn(Strict):
    """A leaven to build: g needed, g kept back, seed : flour : water, days that the jar rested cold, °C of the kitchen.

    `school` names one of the ways of building a leaven; `ratio` wins over that way's own.
    """

    need_g: float = Field(gt=0, le=1e6)
    keep_back_g: float = Field(default=0.0, ge=0, le=1e5)
    ratio: list[float] | None = Field(default=None, min_length=3, max_length=3)
    rest_days: float = Field(default=0.0, ge=0, le=365)
    temp_c: float = Field(ge=-5, le=60)
    school: str = Field(default="liquid leaven", max_length=40)
