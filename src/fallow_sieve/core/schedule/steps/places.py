"""The places of a kitchen and how warm it is in each, by the minute of the plan; and what a dough stands in there."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.schedule.ripening.bodies import Container, Surroundings, day_and_night, steady
from fallow_sieve.core.schedule.steps.rules import StepRule

BENCH, BOX, FRIDGE, FREEZER, OVEN, HOB, MACHINE = "bench", "box", "fridge", "freezer", "oven", "hob", "machine"
_FREEZER_C = -18.0
_WATER_BATH_FROM_C = 36.0  # a box this warm is a water bath
_BASKET_USES = frozenset({"hearth-loaf"})
_TIN_AFTER, _PIECES_AFTER = frozenset({"fill"}), frozenset({"shape", "portion", "roll"})


@dataclass(frozen=True, slots=True)
class Climate:
    """How warm it is (°C) in the room, by day (warmest at 16:00) and night, in the fridge, in the box (None: none).

    `begin_hour` is the hour of the day, with its fraction, at minute 0.
    """

    room_c: float
    fridge_c: float
    box_c: float | None = None
    night_c: float | None = None
    begin_hour: float = 0.0

    @property
    def varies(self) -> bool:
        """Whether the room follows the day."""
        return self.night_c is not None and self.night_c != self.room_c

    def around(self, place: str, temp_c: float | None, minute: float) -> Surroundings:
        """Return what is round a dough in `place` from `minute` on; `temp_c` (°C) is the step's own, if it has one."""
        if place in (FRIDGE, FREEZER):
            return steady(self.fridge_c if place == FRIDGE else _FREEZER_C)
        if place == BOX:
            return steady(temp_c if temp_c is not None else self.box_c or self.room_c)
        if not self.varies or self.night_c is None:
            return steady(self.room_c)
        mean, swing = (self.room_c + self.night_c) / 2, (self.room_c - self.night_c) / 2
        return day_and_night(mean, swing, self.begin_hour + minute / 60)

    def temp_at(self, place: str, temp_c: float | None, minute: float) -> float:
        """Return the °C in `place` at `minute`."""
        at: Array = np.zeros(1)
        return float(self.around(place, temp_c, minute)(at)[0])


def place_of(rule: StepRule, climate: Climate) -> str:
    """Return where a step stands in this kitchen: on the bench where there is no warm box."""
    if rule.place == BOX and climate.box_c is None:
        return BENCH
    return BENCH if rule.place == "room" else rule.place


def container_of(
    rule: StepRule, before: frozenset[str], use: str, containers: Mapping[str, Container]
) -> tuple[Container, bool]:
    """Return what the dough stands in at a step, and whether it is in pieces; `before` are the steps done by then."""
    if before & _TIN_AFTER:
        bath = rule.place == BOX and (rule.temp_c or 0.0) >= _WATER_BATH_FROM_C
        return containers["tin-in-water-bath" if bath else "tin"], True
    if before & _PIECES_AFTER:
        return containers["basket" if use in _BASKET_USES else "tray-pieces"], True
    return containers["covered-bowl"], False
