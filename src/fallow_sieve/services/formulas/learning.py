"""What the pours of a kitchen teach: how the wanted water narrowed with each."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.formulas import Formula, Learnt, correct, learn
from fallow_sieve.reference import rules
from fallow_sieve.services.formulas.working import judged_formula
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store.trials import PourOnRecord


@dataclass(frozen=True, slots=True)
class LearningStep:
    """The wanted water after so many pours of this blend, % of flour base, of the formula as it stands."""

    bakes: int
    baked_on: str
    low_pct: float
    typical_pct: float
    high_pct: float
    actual_pct: float | None


@dataclass(frozen=True, slots=True)
class Lesson:
    """How the range narrowed pour by pour, and what is learnt at each level."""

    steps: tuple[LearningStep, ...]
    learnt: tuple[Learnt, ...]


def lesson(formula: Formula, own: Sequence[PourOnRecord], kitchen: KitchenNow) -> Lesson:
    """Return what the pours of the kitchen, `own` of this formula among them, teach about it as it stands."""
    use = rules().uses.get(formula.use or "")
    family = use.family if use else ""
    blend = formula.pin.key if formula.pin else ""
    return Lesson(_steps(formula, own, kitchen, blend, family), learn(kitchen.pours, blend, family))


def _steps(
    formula: Formula, pours: Sequence[PourOnRecord], kitchen: KitchenNow, blend: str, family: str
) -> tuple[LearningStep, ...]:
    """How the range narrowed, pour by pour of its blend, on what was known that day."""
    if not formula.lines:
        return ()
    prediction = judged_formula(formula, kitchen).prediction
    own = [p.pour for p in pours if not p.withdrawn and p.blend == blend]
    others = [p for p in kitchen.pours if p.blend != blend]
    steps = []
    for count in range(len(own) + 1):
        on = own[count - 1].on if count else ""
        known = [*own[:count], *(p for p in others if count == 0 or p.on <= on)]
        found = correct(prediction, learn(known if count else [], blend, family))
        if found is None:
            return ()
        actual = own[count - 1].actual_pct if count else None
        steps.append(LearningStep(count, on, found.low_pct, found.typical_pct, found.high_pct, actual))
    return tuple(steps)
