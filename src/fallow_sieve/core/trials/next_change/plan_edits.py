"""What a cause changes in the plan of the next bake: times, temperatures, or a line to keep in mind.

Within the limits of a hand: an oven by 20 K at most, a proof by 35 %. Where the plan lacks the stage, the
change is a line in words.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from fallow_sieve.core.trials.faults.tables import Cause
from fallow_sieve.core.trials.plan import PLANNED, TrialPlan
from fallow_sieve.core.values import BadInputError

MOST_OVEN_K, MOST_PROOF = 20.0, 0.35
_OF_TARGET = {
    "rest": "rest_min", "mix": "mix_min", "proof": "proof_min", "chill": "chill_min", "turn-out": "in_tin_min",
    "cool": "cool_min", "roll": "sheet_mm", "boil": "boil_min", "oven": "oven_c", "minutes": "bake_min",
    "preheat": "preheat_min", "core": "core_target_c", "water-temperature": "liquid_c",
}  # fmt: skip
_TOGETHER = {"proof_min": "proof_h26", "oven_c": "set_c"}  # what moves with it


@dataclass(frozen=True, slots=True)
class PlanEdit:
    """Planned values of the next bake by quantity (empty: none changes), and the change in one line."""

    values: Mapping[str, float]
    say: str


def plan_edit(cause: Cause, plan: TrialPlan, facts: Mapping[str, float]) -> PlanEdit:
    """Return what `cause` changes in a plan, by this bake's `facts`. Raises BadInputError for nothing to do."""
    edit = cause.edit
    name = _OF_TARGET.get(edit.target)
    if name is None or edit.op in ("note", "add-phase", "to-rule"):
        return PlanEdit({}, cause.change)
    before = plan.value(name)
    after = _after(cause, name, before, facts)
    if after is None:
        return PlanEdit({}, cause.change)
    if before is not None and abs(after - before) < 1e-9 and edit.op not in ("to-plan", "to-target"):
        label = PLANNED[name][1].lower()
        raise BadInputError(
            f"{label} is {before:.0f} {PLANNED[name][0]} in the plan already", right="look at the next cause"
        )
    values = {name: after}
    beside = _TOGETHER.get(name)
    other = plan.value(beside) if beside else None
    if beside and other is not None and before:
        values[beside] = other * after / before if beside == "proof_h26" else other + after - before
    return PlanEdit(values, _said(name, before, after, cause))


def _after(cause: Cause, name: str, before: float | None, facts: Mapping[str, float]) -> float | None:
    """The planned value after the change; None where the plan lacks what it would be measured by."""
    op, size = cause.edit.op, cause.edit.size
    if op in ("to-plan", "to-target"):
        return before
    if op == "to":
        return size
    if op in ("to-least", "to-most"):
        if before is None:
            return size if name in ("rest_min", "in_tin_min") else None
        return max(before, size) if op == "to-least" else min(before, size)
    if op == "minus-measured":
        off = facts.get("oven_delta")
        return None if before is None or off is None else before - max(-MOST_OVEN_K, min(MOST_OVEN_K, off))
    if op == "add":
        if before is None:
            return size if name == "chill_min" else None
        return before + (max(-MOST_OVEN_K, min(MOST_OVEN_K, size)) if name == "oven_c" else size)
    if before is None:
        return None
    return before * _factor(cause, name, facts)


def _factor(cause: Cause, name: str, facts: Mapping[str, float]) -> float:
    if cause.edit.op == "pan-factor":
        return facts.get("pan_factor", 1.0)
    if cause.edit.op == "by-mass":
        return float(facts.get("piece_ratio", 1.0) ** cause.edit.size)
    factor = cause.edit.size
    return max(1 - MOST_PROOF, min(1 + MOST_PROOF, factor)) if name == "proof_min" else factor


def _said(name: str, before: float | None, after: float, cause: Cause) -> str:
    unit, label = PLANNED[name]
    if before is None or abs(after - before) < 1e-9:
        return cause.change
    return f"{label} {_number(before)} → {_number(after)} {unit}. {cause.change}"


def _number(value: float) -> str:
    return f"{value:.0f}" if abs(value) >= 10 else f"{value:.1f}".removesuffix(".0")
