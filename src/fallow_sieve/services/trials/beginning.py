"""A trial begins: its formula kept as a revision, its plan predicted and frozen, and why it is baked."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import date
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.formulas import Formula, Pour, check_pour, poured_pct
from fallow_sieve.core.trials.learning.planning import learnt_plan
from fallow_sieve.core.trials.predicting import predicted_plan
from fallow_sieve.core.trials.readings import Reading
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.making import made_of, process_of
from fallow_sieve.services.trials.taught import key_of, taught_learners, teaching
from fallow_sieve.store import FORMULAS
from fallow_sieve.store.trials import TrialOnRecord, add_trial, next_trial, put_reading

OWN = "the plan of this trial"


@dataclass(frozen=True, slots=True)
class Asked:
    """What is asked of a new trial: name, day (ISO), why, arms, steps and planned values of its own, and from where.

    `setup` holds arms, lots, school, switches and kinds; `plan` values by quantity that stand over those predicted.
    """

    name: str = ""
    baked_on: str = ""
    note: str = ""
    because: Mapping[str, Any] = field(default_factory=dict)
    setup: Mapping[str, Any] = field(default_factory=dict)
    plan: Mapping[str, float] = field(default_factory=dict)
    parent_id: int | None = None
    dough_of: int | None = None
    kept_h: float | None = None
    kept_c: float | None = None
    schedule_id: int | None = None


def begin(
    session: Session, formula_id: int, formula: Formula, asked: Asked, kitchen: KitchenNow, now: str
) -> TrialOnRecord:
    """Add a trial of `formula`, which is kept first where no revision has it yet; return it. Raises BadInputError."""
    head = FORMULAS.get(session, formula_id)
    number = next_trial(session)
    revision = FORMULAS.kept_as(session, formula_id, formula, f"As baked in trial {number}.", now)
    made = made_of(formula, kitchen)
    setup = dict(asked.setup)
    process = process_of(made, setup.get("school"), setup.get("switches"))
    base = predicted_plan(made, replace(process, altitude_m=setup.get("altitude_m")))
    family = made.use.family if made.use else ""
    lessons = teaching(session, kitchen).lessons(family, key_of(formula_id))
    plan = learnt_plan(base, lessons, taught_learners(), process.organism)
    return add_trial(
        session,
        TrialOnRecord(
            formula_id=formula_id,
            formula_revision=revision,
            name=asked.name or f"{head.name} {number}",
            formula=formula,
            plan=plan.with_values(asked.plan, OWN),
            setup=setup,
            because=dict(asked.because),
            blend=formula.pin.key if formula.pin else "",
            use=made.use.slug if made.use else "",
            family=family,
            baked_on=asked.baked_on or now[:10],
            note=asked.note.strip(),
            parent_id=asked.parent_id,
            dough_of=asked.dough_of,
            kept_h=asked.kept_h,
            kept_c=asked.kept_c,
            schedule_id=asked.schedule_id,
            created_at=now,
            updated_at=now,
        ),
    )


@dataclass(frozen=True, slots=True)
class PourGiven:
    """What a cook writes down of a bake: the g poured in all, the ISO day (None: today), and a note."""

    poured_g: float
    baked_on: str | None
    note: str


def add_pour(
    session: Session, formula_id: int, formula: Formula, given: PourGiven, kitchen: KitchenNow, now: str
) -> TrialOnRecord:
    """Add a trial of which nothing but its water is known. Raises BadInputError for a likely slip."""
    on = day_of(given.baked_on, now)
    made = made_of(formula, kitchen)
    predicted = made.judged.prediction
    if predicted.typical_pct is None or made.use is None:
        raise BadInputError("no water is predicted for this formula", right=predicted.say or "choose a use")
    check_pour(Pour(predicted.typical_pct, poured_pct(made.worked, given.poured_g), "", made.use.family, on))
    trial = begin(session, formula_id, formula, Asked(baked_on=on, note=given.note), kitchen, now)
    put_reading(session, trial.id, Reading("water_poured_g", given.poured_g, at=now, id=f"pour-{trial.id}"))
    return trial


def day_of(given: str | None, now: str) -> str:
    """Return an ISO day as it was given, or that of `now`. Raises BadInputError."""
    if given is None:
        return now[:10]
    try:
        return date.fromisoformat(given).isoformat()
    except ValueError as error:
        raise BadInputError(f"the day {shown(given)}", place="/baked_on", right="give it as 2026-03-14") from error
