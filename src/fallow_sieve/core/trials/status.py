"""How far a trial is, told from its readings: planned, at the bench, baked, judged."""

from __future__ import annotations

from collections.abc import Iterable
from enum import StrEnum

from fallow_sieve.core.trials.quantities import FAULT
from fallow_sieve.core.trials.readings import Reading, in_force

_OUT_OF_OVEN = frozenset(
    {"core_c", "bake_min", "bake_loss_pct", "mass_out_g", "baked_through", "crust_shade", "crust_sound", "boil_min"}
)


class Stage(StrEnum):
    """How far a trial is."""

    PLANNED = "planned"
    AT_THE_BENCH = "at the bench"
    BAKED = "baked"
    JUDGED = "judged"


def stage_of(readings: Iterable[Reading]) -> Stage:
    """Return how far a trial is: judged with a verdict, baked once anything of the oven or of a fault was noted."""
    names = {r.quantity for r in in_force(readings)}
    if "verdict" in names:
        return Stage.JUDGED
    if names & _OUT_OF_OVEN or any(n.startswith(FAULT) for n in names):
        return Stage.BAKED
    return Stage.AT_THE_BENCH if names else Stage.PLANNED
