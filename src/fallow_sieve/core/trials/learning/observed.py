"""What one bake shows of each learner: worked out from its readings, where they suffice; else it shows nothing."""

from __future__ import annotations

import math
import re
from collections.abc import Callable, Iterable, Mapping, Sequence
from itertools import pairwise

from fallow_sieve.core.formulas import FRICTION_K, SPECIFIC_HEAT, masses_of
from fallow_sieve.core.trials.evidence.log import bake_loss_pct, core_aim, hours_at_26
from fallow_sieve.core.trials.plan import TrialPlan
from fallow_sieve.core.trials.readings import Reading, in_force
from fallow_sieve.core.trials.trial import Trial, noted

NEAR_K, NEAR_SHARE, UNDER_K, THREE = 3.0, 0.20, 4.0, 3
MASS_EXPONENT = 0.5
COLD_C = 6.0  # eggs and milk as they come from the fridge
_AT_MINUTE = re.compile(r"\b(\d+(?:\.\d+)?)\s*min")


def minutes_to_core(read: Sequence[tuple[float, float]], target_c: float) -> float | None:
    """Return the minute at which the core reached its target, from readings (minute, °C); None where that is not told.

    Straight between the two about it; or on by the slope of the last two, from at most 4 K under.

    >>> round(minutes_to_core([(34, 91.0), (38, 95.5)], 96), 4)
    38.4444
    """
    ordered = sorted(read)
    for (m1, c1), (m2, c2) in pairwise(ordered):
        if c1 <= target_c <= c2 and c2 > c1:
            return m1 + (m2 - m1) * (target_c - c1) / (c2 - c1)
    if len(ordered) < 2:
        return None
    (m1, c1), (m2, c2) = ordered[-2:]
    if c2 > c1 and m2 > m1 and target_c - UNDER_K <= c2 < target_c:
        return m2 + (target_c - c2) * (m2 - m1) / (c2 - c1)
    return None


def core_readings(readings: Iterable[Reading]) -> list[tuple[float, float]]:
    """Return the readings of a core that say at which minute they were taken, as "34 min", in minutes and °C."""
    found = []
    for r in readings:
        at = _AT_MINUTE.search(r.method)
        if r.quantity == "core_c" and r.value is not None and at and not r.withdrawn:
            found.append((float(at.group(1)), r.value))
    return found


def _of_bake_loss(trial: Trial, base: TrialPlan, read: Mapping[str, float]) -> float | None:
    table, loss = base.value("bake_loss_pct"), bake_loss_pct(read)
    core, target = read.get("core_c"), core_aim(trial.plan, trial.setting)
    minutes, planned = read.get("bake_min"), base.value("bake_min")
    if table is None or loss is None or core is None or target is None or abs(core - target) > NEAR_K:
        return None
    if minutes is not None and planned and abs(minutes / planned - 1) > NEAR_SHARE:
        return None
    return loss - table


def _of_core_time(trial: Trial, base: TrialPlan, read: Mapping[str, float]) -> float | None:
    target, planned = core_aim(trial.plan, trial.setting), base.value("bake_min")
    if target is None or not planned:
        return None
    minutes = minutes_to_core(core_readings(trial.readings), target)
    if minutes is None:
        return None
    mass, piece = read.get("mass_in_g"), base.value("mass_in_g")
    expected = planned * ((mass / piece) ** MASS_EXPONENT if mass and piece else 1.0)
    return math.log(minutes / expected)


def _of_fermentation(trial: Trial, base: TrialPlan, read: Mapping[str, float]) -> float | None:
    planned, target, risen = base.value("proof_h26"), base.value("rise_pct"), read.get("rise_pct")
    hours = hours_at_26(read, trial.process.organism, trial.setting)
    if not planned or hours is None or hours <= 0 or target is None or risen is None or risen < 0.95 * target:
        return None
    return math.log(hours / planned)


def _of_oven(trial: Trial, base: TrialPlan, read: Mapping[str, float]) -> float | None:
    taken = [r for r in in_force(trial.readings) if r.quantity == "oven_c" and r.value is not None]
    set_c = trial.plan.value("set_c")
    if set_c is None or sum(r.n for r in taken) < THREE:
        return None
    return sum((r.value or 0.0) * r.n for r in taken) / sum(r.n for r in taken) - set_c


def _of_friction(trial: Trial, base: TrialPlan, read: Mapping[str, float]) -> float | None:
    """Dough °C less the mean temperature by heat balance, less the usual warmth of a machine."""
    dough, liquid, room = (read.get(n) for n in ("dough_c", "liquid_c", "room_c"))
    poured = read.get("water_poured_g", trial.plan.value("water_poured_g"))
    if dough is None or liquid is None or room is None or not poured:
        return None
    others = masses_of(trial.made.formula, trial.made.worked.shelf, room, COLD_C)
    heats = [(x.mass_g * SPECIFIC_HEAT[x.kind], x.temp_c) for x in others]
    heats.append((poured * SPECIFIC_HEAT["water"], liquid))
    mean = sum(h * c for h, c in heats) / sum(h for h, _ in heats)
    return dough - mean - FRICTION_K["machine"]


def _of_volume(trial: Trial, base: TrialPlan, read: Mapping[str, float]) -> float | None:
    predicted, volume = base.value("specific_volume_ml_g"), read.get("specific_volume_ml_g")
    out = read.get("mass_out_g")
    if volume is None and out:
        by_seeds = read.get("volume_seed_ml")
        volume = by_seeds / out if by_seeds else None
    return None if not predicted or not volume else math.log(volume / predicted)


def _of_mixing(trial: Trial, base: TrialPlan, read: Mapping[str, float]) -> float | None:
    """What stays in the bowl, in points over the usual 2 %, where all pieces were weighed."""
    weighed, lines = read.get("mass_in_g"), base.value("mass_in_g")
    piece = base.value("piece_g") or 0.0
    if weighed is None or not lines or (piece < lines and weighed < (lines + piece) / 2):
        return None
    poured, planned = read.get("water_poured_g"), base.value("water_poured_g")
    whole = lines + (poured - planned if poured is not None and planned is not None else 0.0)
    return 100 * (whole - weighed) / whole - USUAL_LOSS_PCT


USUAL_LOSS_PCT = 2.0
OBSERVE: dict[str, Callable[[Trial, TrialPlan, Mapping[str, float]], float | None]] = {
    "bake_loss": _of_bake_loss,
    "core_time": _of_core_time,
    "oven_offset": _of_oven,
    "fermentation": _of_fermentation,
    "friction": _of_friction,
    "specific_volume": _of_volume,
    "mixing_loss": _of_mixing,
}


def observed_in(trial: Trial, base: TrialPlan) -> dict[str, float]:
    """Return what a trial shows of each learner, in its scale; `base` is its plan before any learning."""
    read = noted(trial, trial.arm_names[0])
    found = {name: work(trial, base, read) for name, work in OBSERVE.items()}
    return {name: value for name, value in found.items() if value is not None}
