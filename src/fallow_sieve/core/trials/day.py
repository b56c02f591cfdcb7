"""The day of a bake as a column: its stages in the order of the work, minutes planned and minutes that it took."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from fallow_sieve.core.trials.plan import TrialPlan

STAGES = (
    ("mixing", "mix_min", "Mixing", "dough_c"),
    ("rest", "rest_min", "Rest", ""),
    ("chill", "chill_min", "Chilled", ""),
    ("proof", "proof_min", "Proof", "proof_c"),
    ("boil", "boil_min", "Boil", ""),
    ("bake", "bake_min", "Bake", "oven_c"),
    ("cool", "cool_min", "Cooling", ""),
)


@dataclass(frozen=True, slots=True)
class DayStage:
    """One stage: minutes planned and done, °C planned and done; None: not planned, or not noted."""

    stage: str
    label: str
    planned_min: float | None
    done_min: float | None
    planned_c: float | None
    done_c: float | None


def day_of_bake(plan: TrialPlan, noted: Mapping[str, float], facts: Mapping[str, float]) -> tuple[DayStage, ...]:
    """Return the stages that were planned or noted, in order; minutes noted as a ratio are those of the plan × it."""
    return tuple(_stages(plan, noted, facts))


def _stages(plan: TrialPlan, noted: Mapping[str, float], facts: Mapping[str, float]) -> Iterator[DayStage]:
    for stage, minutes, label, temp in STAGES:
        planned, done = plan.value(minutes), noted.get(minutes)
        ratio = facts.get(minutes.replace("_min", "_ratio"))
        if done is None and ratio is not None and planned is not None:
            done = planned * ratio
        if planned is not None or done is not None:
            yield DayStage(stage, label, planned, done, plan.value(temp) if temp else None, noted.get(temp))
