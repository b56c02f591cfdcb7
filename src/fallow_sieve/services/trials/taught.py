"""What the kitchen's trials taught beside water: lessons for the next bake of a formula."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.trials.learning.bags import AnotherBag, another_bags
from fallow_sieve.core.trials.learning.learner import Learner, Lesson, Observed, learn
from fallow_sieve.core.trials.learning.observed import observed_in
from fallow_sieve.core.trials.predicting import predicted_plan
from fallow_sieve.core.values import BadInputError, counted
from fallow_sieve.reference import learners
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.kept import trial_kept
from fallow_sieve.store.trials import every_trial, pour_of, readings_of, trials_of_formula


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


@dataclass(frozen=True, slots=True)
class BagTold:
    """Another bag of a flour in a sentence; its water test says whether it is the bag."""

    ingredient: str
    say: str


def bags_changed(session: Session, formula_id: int, kitchen: KitchenNow) -> list[BagTold]:
    """Return what the water of a formula's bakes did as a bag of one of its flours changed."""
    records = [t for t in trials_of_formula(session, formula_id) if not t.set_aside and t.setup.get("lots")]
    readings = readings_of(session, [t.id for t in records])
    poured = [(t.setup["lots"], p.pour) for t in records if (p := pour_of(t, readings[t.id])) is not None]
    return [_bag_told(b, kitchen) for b in another_bags(poured)]


def _bag_told(b: AnotherBag, kitchen: KitchenNow) -> BagTold:
    name = kitchen.shelf[b.ingredient].name if b.ingredient in kitchen.shelf else b.ingredient
    was, now = (
        f"{ratio:.2f} of what was predicted ({counted(n, 'bake')})"
        for ratio, n in ((b.ratio_before, b.bakes_before), (b.ratio_now, b.bakes_now))
    )
    return BagTold(b.ingredient, f"{name}, bag {b.now} after {b.before}: water wanted {was} → {now}.")


def key_of(formula_id: int) -> str:
    """Return the name under which a formula is learnt."""
    return f"formula {formula_id}"
