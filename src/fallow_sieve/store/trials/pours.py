"""The water that went into bakes, told from trials: what the kitchen learns its own correction from."""

from __future__ import annotations

import json
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from fallow_sieve.core.formulas import Pour
from fallow_sieve.core.trials.evidence.log import values_of, water_pct
from fallow_sieve.core.trials.plan import TrialPlan
from fallow_sieve.core.trials.readings import Reading, State, of_arm
from fallow_sieve.store.trials.records import TrialOnRecord, plan_of

OF_WATER = ("water_poured_g", "flour_dusted_g", "dough_feel")
# Trials that count, each with those of its readings that say how much water its dough got and wanted.
POURS = (
    "SELECT t.id, t.plan, t.blend, t.family, t.baked_on, r.id, r.quantity, r.value, r.at, r.replaces, r.withdrawn "
    "FROM trial t JOIN reading r ON r.trial_id = t.id "
    "WHERE NOT t.set_aside AND NOT t.withdrawn AND r.arm = '' "
    f"AND r.quantity IN ({', '.join(repr(q) for q in OF_WATER)}) "
    "ORDER BY t.baked_on, t.id"
)


@dataclass(frozen=True, slots=True)
class PourOnRecord:
    """What was poured into one bake (g, and % of flour base) beside what was predicted without correction."""

    formula_id: int
    blend: str
    use: str
    family: str
    baked_on: str
    flour_g: float
    poured_g: float
    actual_pct: float
    predicted_pct: float
    created_at: str
    note: str = ""
    withdrawn: bool = False
    id: int = 0
    feel: float = 0.0

    @property
    def pour(self) -> Pour:
        """The same as the core's value, water in % of flour base."""
        return Pour(self.predicted_pct, self.actual_pct, self.blend, self.family, self.baked_on, self.feel)


def pours_from(rows: Iterable[Sequence[Any]]) -> tuple[Pour, ...]:
    """Return the pours that rows of POURS tell of, a trial each, in their order."""
    trials: dict[int, tuple[Any, list[Reading]]] = {}
    for trial, plan, blend, family, on, reading, quantity, value, at, replaces, withdrawn in rows:
        state = State.PLANNED if value is None else State.NOTED
        read = Reading(quantity, value, state=state, at=at, id=reading, replaces=replaces, withdrawn=bool(withdrawn))
        trials.setdefault(trial, ((plan, blend, family, on), []))[1].append(read)
    found = [_pour(json.loads(head[0]), head[1:], readings) for head, readings in trials.values()]
    return tuple(p for p in found if p is not None)


def _pour(record: Mapping[str, Any], of: Sequence[str], readings: Sequence[Reading]) -> Pour | None:
    plan = plan_of(dict(record))
    water = _water(plan, readings)
    return None if water is None else Pour(water[0], water[1], of[0], of[1], of[2], water[2])


def _water(plan: TrialPlan, readings: Sequence[Reading]) -> tuple[float, float, float] | None:
    """Predicted and actual water (% of flour base) and the feel; None where one of the two is not known."""
    noted = values_of(of_arm(readings, ""), plan)
    predicted, actual = plan.value("predicted_pct"), water_pct(noted, plan)
    if predicted is None or actual is None or predicted <= 0 or actual <= 0:
        return None
    return predicted, actual, noted.get("dough_feel", 0.0)


def pour_of(trial: TrialOnRecord, readings: Sequence[Reading]) -> PourOnRecord | None:
    """Return what was poured into a trial, or None where that was not noted."""
    water = _water(trial.plan, readings)
    poured = values_of(of_arm(readings, ""), trial.plan).get("water_poured_g")
    if water is None or poured is None:
        return None
    return PourOnRecord(
        formula_id=trial.formula_id,
        blend=trial.blend,
        use=trial.use,
        family=trial.family,
        baked_on=trial.baked_on,
        flour_g=trial.plan.value("flour_g") or 0.0,
        poured_g=poured,
        actual_pct=water[1],
        predicted_pct=water[0],
        created_at=trial.created_at,
        note=trial.note,
        withdrawn=trial.set_aside,
        id=trial.id,
        feel=water[2],
    )
