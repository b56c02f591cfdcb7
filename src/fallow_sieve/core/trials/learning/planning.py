"""A plan by what was learnt: the quantities that a learner moves, each with where it is from and its range."""

from __future__ import annotations

import math
from collections.abc import Mapping

from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.trials.learning.learner import Learner, Lesson, applied
from fallow_sieve.core.trials.plan import Planned, TrialPlan

MOVES = {
    "bake_loss": "bake_loss_pct",
    "core_time": "bake_min",
    "fermentation": "proof_h26",
    "specific_volume": "specific_volume_ml_g",
}


def learnt_plan(
    base: TrialPlan, lessons: Mapping[str, Lesson], learners: Mapping[str, Learner], organism: Organism
) -> TrialPlan:
    """Return a plan with what bakes taught over what the rules predict; what nothing was learnt of stays."""
    values = dict(base.values)
    for name, quantity in MOVES.items():
        lesson, planned = lessons.get(name), values.get(quantity)
        if lesson is not None and planned is not None and lesson.n:
            value, low, high = applied(lesson, learners[name], planned.value)
            values[quantity] = Planned(value, low, high, lesson.say)
    proof, temp = values.get("proof_h26"), base.value("proof_c")
    if proof is not base.values.get("proof_h26") and proof is not None and temp is not None:
        minutes = 60 / float(organism.speed(temp))
        ends = [None if v is None else v * minutes for v in (proof.low, proof.high)]
        values["proof_min"] = Planned(proof.value * minutes, ends[0], ends[1], proof.source)
    oven, set_c = lessons.get("oven_offset"), base.values.get("set_c")
    if oven is not None and oven.n and set_c is not None:
        # The oven runs so many K off what it is set to: set it the other way.
        values["set_c"] = Planned(float(round(set_c.value - oven.mean)), source=oven.say)
    return TrialPlan({n: p for n, p in values.items() if math.isfinite(p.value)})
