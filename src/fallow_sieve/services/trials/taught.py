"""What the kitchen's trials taught beside water: lessons for the next bake of a formula."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.trials.learning.learner import Learner, Lesson, Observed, learn
from fallow_sieve.core.trials.learning.observed import observed_in
from fallow_sieve.core.trials.predicting import predicted_plan
from fallow_sieve.core.values import BadInputError
from fallow_sieve.reference import learners
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.kept import trial_kept
from fallow_sieve.store.trials import every_trial, readings_of


@dataclass(frozen=True, slots=True)
class Teaching:
    """What every trial that counts showed, by learner."""

    seen: Mapping[str, Sequence[Observed]]

    def lessons(self, family: str, formula: str) -> dict[str, Lesson]:
        """Return what was learnt for the next bake of a formula, by learner."""
        return {name: learn(x, self.seen.get(name, ()), family, formula) for name, x in taught_learners().items()}


def taught_learners() -> dict[str, Learner]:
    """Return the learners beside water, which has its own place."""
    return {name: x for name, x in learners().items() if name != "water"}


def teaching(session: Session, kitchen: KitchenNow) -> Teaching:
    """Return what every trial showed; those set aside, and formulas that can no longer be judged, are left out."""
    records = [t for t in every_trial(session) if not t.set_aside]
    readings = readings_of(session, [t.id for t in records])
    seen: dict[str, list[Observed]] = {}
    for record in records:
        try:
            trial = trial_kept(record, readings[record.id], kitchen)
        except BadInputError:
            continue
        for name, value in observed_in(trial, predicted_plan(trial.made, trial.process)).items():
            seen.setdefault(name, []).append(Observed(value, record.family, key_of(record.formula_id)))
    return Teaching(seen)


def key_of(formula_id: int) -> str:
    """Return the name under which a formula is learnt."""
    return f"formula {formula_id}"
