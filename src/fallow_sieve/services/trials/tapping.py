"""Taps on a sheet: a value, as planned, a whole moment as planned, or the last one taken back."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.trials.readings import Reading, State, in_force
from fallow_sieve.core.trials.sheet import MomentSheet
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.noting import note_reading
from fallow_sieve.services.trials.page import sheet_now
from fallow_sieve.store.trials import readings_of, take_back


@dataclass(frozen=True, slots=True)
class Tapped:
    """Where a tap was made: under which id, on which arm and day, at which instant (ISO, UTC)."""

    id: str
    arm: str
    day: int
    at: str


def tap(session: Session, trial_id: int, what: str, tapped: Tapped, kitchen: KitchenNow) -> None:
    """Note what a form's tap says: `core_c=96`, `core_c=` (as planned), `moment:oven`, `back:ID`. BadInputError."""
    kind, _, rest = what.partition(":")
    if kind == "back":
        if rest:
            take_back(session, trial_id, rest, True)
    elif kind == "moment":
        found = sheet_now(session, trial_id, kitchen, tapped.arm, tapped.day)
        moment = next((m for m in found.moments if m.moment == rest), None)
        for reading in _as_planned(moment, tapped) if moment else ():
            note_reading(session, trial_id, reading)
    else:
        note_reading(session, trial_id, reading_of(what, tapped))


def reading_of(what: str, tapped: Tapped) -> Reading:
    """Return the reading that `quantity=value` says; without a value it was as planned. Raises BadInputError."""
    quantity, _, text = what.rpartition("=")
    value = number_in(text) if text.strip() else None
    state = State.PLANNED if value is None else State.NOTED
    return Reading(quantity, value, tapped.arm, state, day=tapped.day, at=tapped.at, id=tapped.id)


def number_in(text: str) -> float:
    """Return the number that somebody typed, with a comma or a point. Raises BadInputError."""
    plain = text.strip().replace(",", ".").replace("−", "-")
    if not re.fullmatch(r"-?\d{1,7}(\.\d{1,6})?", plain):
        raise BadInputError(f"cannot read the number {shown(text)}", place="/value", right="type digits, as 96.5")
    return float(plain)


def _as_planned(moment: MomentSheet, tapped: Tapped) -> Iterator[Reading]:
    for n, quantity in enumerate(moment.planned):
        yield Reading(quantity, None, tapped.arm, State.PLANNED, at=tapped.at, id=f"{tapped.id}-{n}")


def last_tap(session: Session, trial_id: int) -> str:
    """Return the id of the last reading that holds; empty where there is none."""
    holding = in_force(readings_of(session, [trial_id])[trial_id])
    return max(holding, key=lambda r: (r.at, r.id)).id if holding else ""
