"""What can only be a slip of the pen: so many more or fewer grams than were planned."""

from __future__ import annotations

from fallow_sieve.core.trials.readings import Reading
from fallow_sieve.core.values import BadInputError

SLIP = 3.0  # times what was planned, or a third of it


def check_slip(reading: Reading, planned_g: float | None, place: str) -> None:
    """Raise BadInputError for poured water (g) over three times what was planned, or under a third."""
    if reading.quantity != "water_poured_g" or reading.value is None or not planned_g:
        return
    if not planned_g / SLIP <= reading.value <= SLIP * planned_g:
        raise BadInputError(
            f"{reading.value:g} g poured where {planned_g:.0f} g were planned",
            place=place,
            right="check the grams: more than three times as much, or a third, is taken for a slip",
        )
