"""What the kitchen's own steps taught: how a fault was found after a change, and so the kitchen's priors.

Everything is worked out from rows, never stored: setting a trial aside takes its lesson back.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.trials.differences.changes import difference
from fallow_sieve.core.trials.faults.counts import Found, Lessons, Step, found_after, lessons
from fallow_sieve.core.trials.readings import Reading, marks
from fallow_sieve.core.trials.trial import standing
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.kept import trial_kept
from fallow_sieve.services.trials.making import trial_rules
from fallow_sieve.store.trials import (
    StepOnRecord,
    TrialOnRecord,
    readings_of,
    steps_on_record,
    trials_named,
    trials_of_formula,
)


@dataclass(frozen=True, slots=True)
class StepTaken:
    """A step on record: how its fault was found, how many things changed in all, how often it goes by itself."""

    record: StepOnRecord
    found: Found
    things_changed: int
    gone_alone: float
    repeats: int
    counts: bool

    @property
    def step(self) -> Step:
        """The same as the core counts it."""
        return Step(
            self.record.fault, self.record.cause, self.found, self.things_changed, self.gone_alone, self.repeats
        )


def steps_taken(session: Session, kitchen: KitchenNow) -> list[StepTaken]:
    """Return every step between two trials, those of trials set aside too: these do not count."""
    steps = steps_on_record(session)
    ids = {s.from_trial for s in steps} | {s.to_trial for s in steps}
    trials = {t.id: t for t in trials_named(session, ids)}
    readings = readings_of(session, ids)
    return [
        _taken(session, s, trials, readings, kitchen) for s in steps if s.to_trial in trials and s.from_trial in trials
    ]


def _taken(
    session: Session,
    step: StepOnRecord,
    trials: Mapping[int, TrialOnRecord],
    readings: Mapping[int, tuple[Reading, ...]],
    kitchen: KitchenNow,
) -> StepTaken:
    before, after = trials[step.from_trial], trials[step.to_trial]
    was, now = (marks(readings[t.id]).get(step.fault) for t in (before, after))
    counts = not (before.set_aside or after.set_aside or before.withdrawn or after.withdrawn)
    changed = things_changed(before, after, readings, kitchen)
    return StepTaken(step, found_after(was, now), max(1, changed), *_goes_alone(session, before, step.fault), counts)


def things_changed(
    before: TrialOnRecord, after: TrialOnRecord, readings: Mapping[int, Sequence[Reading]], kitchen: KitchenNow
) -> int:
    """Return how many things changed between two bakes by a step or more; 1 where a formula can no longer be judged."""
    rules = trial_rules()
    try:
        was, now = (trial_kept(t, readings[t.id], kitchen) for t in (before, after))
    except BadInputError:
        return 1
    a, b = (standing(t, rules, t.arm_names[0]) for t in (was, now))
    return difference(a, b, rules.sizes).things_changed


def _goes_alone(session: Session, of: TrialOnRecord, fault: str) -> tuple[float, int]:
    """Of the repeats of one formula revision the share in which a fault was gone that another had, and their count."""
    same = [t for t in trials_of_formula(session, of.formula_id) if t.formula_revision == of.formula_revision]
    found = readings_of(session, [t.id for t in same if not t.set_aside])
    looked = [m[fault] for r in found.values() if fault in (m := marks(r))]
    if len(looked) < 2 or max(looked) <= 0:
        return 0.0, len(looked)
    return sum(s <= 0 for s in looked) / len(looked), len(looked)


def kitchen_lessons(session: Session, kitchen: KitchenNow) -> Lessons:
    """Return what the kitchen's own steps taught by fault and cause, of the faults that a step was about."""
    taken = [s.step for s in steps_taken(session, kitchen) if s.counts and s.record.fault and s.record.cause]
    return lessons(trial_rules().faults.evidence, taken)
