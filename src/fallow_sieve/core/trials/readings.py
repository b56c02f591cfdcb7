"""Readings of a bake: append-only, noted or as planned; a correction takes the place of an earlier one by name."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from enum import StrEnum

from fallow_sieve.core.trials.quantities import FAULT, Quantity, check_value, quantity_named
from fallow_sieve.core.values import BadInputError, shown

LAST_DAY = 3


class State(StrEnum):
    """How a reading is known. What was not noted has no reading: it is neither zero nor as planned."""

    NOTED = "noted"
    PLANNED = "planned"


@dataclass(frozen=True, slots=True)
class Reading:
    """One reading: its quantity, value in the quantity's unit (None: as planned), arm, day 0–3 and how it was taken.

    `n` is how many it is the mean of, `sd` its own uncertainty where it was worked out; `replaces` names the reading
    that it corrects, and `withdrawn` one that was taken back.
    """

    quantity: str
    value: float | None
    arm: str = ""
    state: State = State.NOTED
    method: str = ""
    n: int = 1
    day: int = 0
    at: str = ""
    id: str = ""
    replaces: str = ""
    withdrawn: bool = False
    sd: float | None = None


def check_reading(reading: Reading, known: Mapping[str, Quantity], arms: Sequence[str] = (), place: str = "") -> None:
    """Raise BadInputError, naming `place`, unless the reading is of a known quantity, within its limits, of an arm."""
    quantity = quantity_named(reading.quantity, known, f"{place}/quantity")
    if (reading.value is None) != (reading.state is State.PLANNED):
        raise BadInputError("a reading has a value, or is as planned", place=place, right="give one of the two")
    if reading.value is not None:
        check_value(quantity, reading.value, f"{place}/value")
    elif reading.quantity.startswith(FAULT):
        raise BadInputError("no fault is planned", place=f"{place}/quantity", right="mark it 0 to 3")
    if reading.arm and reading.arm not in arms:
        right = f"one of {', '.join(arms)}" if arms else "this trial has no arms"
        raise BadInputError(f"there is no arm {reading.arm!r}", place=f"{place}/arm", right=right)


INSTANT = "%Y-%m-%dT%H:%M:%S.%fZ"


def instant_of(text: str, place: str = "") -> str:
    """Return an instant as readings have it: ISO 8601 in UTC to the microsecond, so that texts keep their order.

    A time without a zone is taken as UTC. Raises BadInputError for what is no time of this century.
    """
    try:
        found = datetime.fromisoformat(text)
        if not 2000 <= found.year < 2100:
            raise ValueError(text)
    except ValueError as error:
        raise BadInputError(f"the time {shown(text)}", place=place, right="give it as 2026-03-14T08:30:00Z") from error
    return (found if found.tzinfo else found.replace(tzinfo=UTC)).astimezone(UTC).strftime(INSTANT)


def in_force(readings: Iterable[Reading]) -> tuple[Reading, ...]:
    """Return the readings that hold: not taken back, not corrected; the last of one quantity, arm and day.

    In whatever order they come in, the result is the same: they are put in the order of their instants and names.
    """
    given = sorted(readings, key=lambda r: (r.at, r.id))
    corrected = {r.replaces for r in given if r.replaces and not r.withdrawn}
    last: dict[tuple[str, str, int], Reading] = {}
    for r in given:
        if not r.withdrawn and not (r.id and r.id in corrected):
            last[r.quantity, r.arm, r.day] = r
    return tuple(last.values())


def of_arm(readings: Iterable[Reading], arm: str) -> dict[str, Reading]:
    """Return by quantity what is known of `arm` on its last day: its own readings, else those of the whole dough.

    Of a quantity that was read on several days it is the day that it belongs to first: day 0, or the next one noted.
    """
    found: dict[str, Reading] = {}
    for r in sorted(in_force(readings), key=lambda r: (r.arm != arm, r.day)):
        if r.arm in ("", arm):
            found.setdefault(r.quantity, r)
    return found


def marks(readings: Iterable[Reading], arm: str | None = None) -> dict[str, float]:
    """Return the strength 0–3 of each fault that was looked for, the strongest of its days and arms (or of `arm`)."""
    found: dict[str, float] = {}
    for r in in_force(readings):
        if r.quantity.startswith(FAULT) and r.value is not None and (arm is None or r.arm in ("", arm)):
            name = r.quantity.removeprefix(FAULT)
            found[name] = max(found.get(name, 0.0), r.value)
    return found
