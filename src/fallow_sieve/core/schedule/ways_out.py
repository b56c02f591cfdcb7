"""A rise that is ahead or late: what happens if it is left, put colder, put warmer, or baked now, each simulated."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from fallow_sieve.core.schedule.ripening.bodies import Leg, steady
from fallow_sieve.core.schedule.ripening.path import RIPE, Dough, ripen
from fallow_sieve.core.schedule.steps.dough import State

AHEAD_H = 24.0


@dataclass(frozen=True, slots=True)
class WayOut:
    """One way: °C round the dough (None: it goes into the oven), minutes until it is ripe, over, and over the rim.

    None for minutes: it does not get there within a day. `ripeness` is how ripe it is when it is baked at once.
    """

    way: str
    around_c: float | None
    ripe_min: float | None
    over_min: float | None
    rim_min: float | None
    ripeness: float


def ways_out(
    dough: Dough, state: State, tau_h: float, places_c: Mapping[str, float], rim: float | None = None
) -> tuple[WayOut, ...]:
    """Return what comes of each place (°C by its word) for a dough as it is now, and of baking it at once."""
    now = Dough(dough.organism, dough.hours_at_26, state.temp_c, state.ripeness)
    found = [_way(now, word, around_c, tau_h, rim) for word, around_c in places_c.items()]
    return (*found, WayOut("bake now", None, None, None, None, state.ripeness))


def _way(now: Dough, word: str, around_c: float, tau_h: float, rim: float | None) -> WayOut:
    path = ripen(now, [Leg(AHEAD_H, steady(around_c), tau_h)])

    def minutes(ripeness: float) -> float | None:
        if now.ripeness >= ripeness:
            return 0.0
        hours = path.reaches(ripeness)
        return None if hours is None else 60 * hours

    over = now.organism.window_high
    return WayOut(word, around_c, minutes(RIPE), minutes(over), None if rim is None else minutes(rim), now.ripeness)
