"""Ovens as bodies: how long one takes to heat or cool, and which bakes may share it.

Warm-up is first order towards where the heat would end if it never cut out, cooling first order towards the room;
the constants are rules of thumb by kind of oven (`ovens_rates.csv`).
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from fallow_sieve.core.values import BadInputError

SHARED_K = 5.0  # bakes whose temperatures lie this close may share an oven


@dataclass(frozen=True, slots=True)
class OvenKind:
    """A kind of oven: time constants (min) warming, cooling shut and with the door ajar; °C it heats towards.

    `stone_extra_min` is for a floor of stone, `door_loss_k` what an opening costs (K), `max_c` the most it is set to.
    """

    kind: str
    name: str
    tau_warm_min: float
    full_c: float
    tau_cool_closed_min: float
    tau_cool_ajar_min: float
    stone_extra_min: float
    door_loss_k: float
    levels: int
    max_c: float

    @property
    def heats(self) -> bool:
        """Whether it is heated by the baker (a bread machine keeps its own programme)."""
        return self.tau_warm_min > 0

    def warm_up_min(self, from_c: float, to_c: float, *, stone: bool = False) -> float:
        """Return the minutes from `from_c` to `to_c` °C, at most to what it is set to. Raises BadInputError."""
        if not self.heats or to_c <= from_c:
            return 0.0
        to_c = min(to_c, max(self.max_c, from_c))
        if to_c >= self.full_c:
            right = f"this kind of oven reaches {self.max_c:.0f} °C"
            raise BadInputError(f"an oven at {to_c:g} °C", right=right)
        minutes = self.tau_warm_min * math.log((self.full_c - from_c) / (self.full_c - to_c))
        return minutes + (self.stone_extra_min if stone else 0.0)

    def cool_down_min(self, from_c: float, to_c: float, room_c: float, *, ajar: bool = True) -> float:
        """Return the minutes from `from_c` down to `to_c` °C in a room of `room_c` °C; inf where it never is."""
        if not self.heats or to_c >= from_c:
            return 0.0
        if to_c <= room_c:
            return math.inf
        tau = self.tau_cool_ajar_min if ajar else self.tau_cool_closed_min
        return tau * math.log((from_c - room_c) / (to_c - room_c))

    def change_min(self, from_c: float, to_c: float, room_c: float) -> float:
        """Return the minutes from `from_c` to `to_c` °C, up or down (with the door ajar); 0 within 5 K."""
        if abs(to_c - from_c) <= SHARED_K:
            return 0.0
        return self.warm_up_min(from_c, to_c) if to_c > from_c else self.cool_down_min(from_c, to_c, room_c)
