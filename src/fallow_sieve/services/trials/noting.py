"""A reading is noted: checked against what can be, and against the plan where it can only be a slip."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta

from sqlmodel import Session

from fallow_sieve.core.trials.readings import INSTANT, Reading, check_reading
from fallow_sieve.reference import quantities
from fallow_sieve.services.trials.slips import check_slip
from fallow_sieve.store.trials import get_trial, last_at, put_reading


def note_reading(session: Session, trial_id: int, reading: Reading) -> Reading:
    """Add a reading to a trial; the same again is one. Raises BadInputError for what cannot be, OtherReadingError."""
    trial = get_trial(session, trial_id)
    arms = tuple(a["name"] for a in trial.setup.get("arms", []))
    check_reading(reading, quantities(), arms)
    check_slip(reading, trial.plan.value("water_poured_g"), "/value")
    return put_reading(session, trial_id, replace(reading, at=_after(last_at(session, trial_id), reading.at)))


def _after(last: str, now: str) -> str:
    """An instant after the last reading's: two taps of one moment keep their order."""
    if now > last:
        return now
    return (datetime.fromisoformat(last) + timedelta(microseconds=1)).strftime(INSTANT)
