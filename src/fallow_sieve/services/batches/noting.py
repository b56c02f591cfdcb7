"""A step noted of a batch: what is said with it is checked before it stands, for the label reads it."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import date
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.store.batches import StepDone, add_step, get_batch, touch_batch

_OF_TEST = {"mg_per_kg": float, "method": str, "on": str, "detection_mg_per_kg": float, "laboratory": str}
_NEEDED = {"gluten-test": ("mg_per_kg", "method", "on"), "may-contain": ("name",)}


def note_step(session: Session, batch_id: int, step: StepDone) -> None:
    """Note a step of a batch. Raises BadInputError for a test or a may-contain that does not say what it must."""
    get_batch(session, batch_id)
    for name in _NEEDED.get(step.kind, ()):
        if step.said.get(name) in (None, ""):
            raise BadInputError(f"{step.kind} without {name}", place=f"/said/{name}", right=_RIGHT[name])
    if step.kind == "gluten-test":
        _check_test(step.said, step.at[:10])
    add_step(session, batch_id, step)
    touch_batch(session, batch_id, step.at)


_RIGHT = {
    "mg_per_kg": "what the report says, mg/kg; below 5 is 5",
    "method": "the method, as the report names it",
    "on": "the day of the test, as 2026-11-28",
    "name": "what it may contain",
}


def _check_test(said: Mapping[str, Any], today: str) -> None:
    for name, value in said.items():
        if name not in _OF_TEST:
            raise BadInputError(
                f"{shown(name)} of a test", place=f"/said/{name}", right=f"one of {', '.join(_OF_TEST)}"
            )
        wants_number = _OF_TEST[name] is float
        if wants_number != isinstance(value, int | float) or (wants_number and not 0 <= value <= 1e6):
            raise BadInputError(
                f"{shown(str(value))} as {name}", place=f"/said/{name}", right=_RIGHT.get(name, "as said")
            )
    try:
        is_past = date.fromisoformat(str(said["on"])).isoformat() <= today
    except ValueError:
        is_past = False
    if not is_past:
        raise BadInputError(
            f"a test on {shown(str(said['on']))}", place="/said/on", right=f"a day, at the latest {today}"
        )
