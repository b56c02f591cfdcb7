"""What readings of a rise say of its pace: the jar is followed, its fit carried over in hours at 26 °C."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.schedule.ripening.bodies import Leg
from fallow_sieve.core.schedule.ripening.path import Dough, ripen
from fallow_sieve.core.schedule.ripening.watch import Reading, watch
from fallow_sieve.core.schedule.steps.dough import Kitchen, hours_for
from fallow_sieve.core.schedule.steps.places import place_of
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.rules import StepRule

JAR, JAR_G = "sample-jar", 170.0


@dataclass(frozen=True, slots=True)
class ReadPace:
    """A factor on the hours of a rise, by its readings, with its 95 % interval; and what to beware of.

    The factor is 1 where the plateau lies under the wanted rise, which a flag then says.
    """

    factor: float
    low: float
    high: float
    flags: tuple[str, ...]


def read_pace(
    product: Product, rule: StepRule, kitchen: Kitchen, begin: float, readings: Sequence[tuple[float, float]]
) -> ReadPace:
    """Return the pace of a rise that began at the minute `begin`, by `readings` (minute, rise in %)."""
    planned = hours_for(product, rule)
    target = rule.target_rise_pct or 0.0
    at = [(minute - begin) / 60 for minute, _ in readings]
    if target <= 0 or not at or max(at) <= 0:
        return ReadPace(1.0, 1.0, 1.0, ())
    around = kitchen.climate.around(place_of(rule, kitchen.climate), rule.temp_c, begin)
    legs = [Leg(max(at) + 1 / 60, around, kitchen.containers[JAR].tau_h(JAR_G))]
    jar = ripen(Dough(product.ferments_with(rule), planned, product.dough_c), legs)
    units = np.interp(at, jar.hours, jar.units)
    found = watch([Reading(float(u), rise) for u, (_, rise) in zip(units, readings, strict=True)], target, planned)
    if found.ripe_h is None or found.low_h is None or found.high_h is None:
        return ReadPace(1.0, 1.0, 1.0, found.flags)
    return ReadPace(found.ripe_h / planned, found.low_h / planned, found.high_h / planned, found.flags)
