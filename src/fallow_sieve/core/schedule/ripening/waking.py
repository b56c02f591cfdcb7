"""Whether dried yeast wakes in a liquid, by its temperature; rules of thumb."""

from __future__ import annotations

from enum import StrEnum

SLOW_FROM_C, WAKES_FROM_C, WAKES_TO_C = 20.0, 35.0, 43.0
DRY_LIMIT_C = 54.0  # of a liquid that meets instant yeast in the dry mix


class Waking(StrEnum):
    """What a liquid does to dried yeast."""

    NOT = "does not wake"
    SLOW = "slow"
    WAKES = "wakes"
    KILLS = "kills"


def waking(liquid_c: float) -> Waking:
    """Return what a liquid at `liquid_c` °C does to dried yeast.

    >>> str(waking(38))
    'wakes'
    """
    if liquid_c > WAKES_TO_C:
        return Waking.KILLS
    if liquid_c >= WAKES_FROM_C:
        return Waking.WAKES
    return Waking.SLOW if liquid_c >= SLOW_FROM_C else Waking.NOT
