"""What the readings of a bake say against its plan: ratios, differences and losses, worked out and never stored."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.trials.measures.weighing import core_target_c
from fallow_sieve.core.trials.plan import TrialPlan
from fallow_sieve.core.trials.readings import Reading

STAYS_IN = 2 / 3  # of the flour that is dusted on goes into the dough; a third stays on the bench (rule of thumb)
RATIOS = {
    "mix_ratio": "mix_min",
    "sheet_ratio": "sheet_mm",
    "preheat_ratio": "preheat_min",
    "bake_ratio": "bake_min",
    "boil_ratio": "boil_min",
    "cool_ratio": "cool_min",
}
DELTAS = {"dough_temp_delta": "dough_c", "oven_delta": "oven_c"}


# What is noted to know what is worked out.
BEHIND = {
    **RATIOS,
    **DELTAS,
    "water_ratio": "water_poured_g",
    "core_delta": "core_c",
    "liquid_over": "liquid_c",
    "proof_ratio": "proof_min",
    "piece_ratio": "mass_in_g",
    "bake_loss_delta": "mass_out_g",
}


@dataclass(frozen=True, slots=True)
class Setting:
    """Where a bake was made: height above the sea (m), hours its dough was kept and at how many °C; None: unknown."""

    altitude_m: float | None = None
    kept_h: float | None = None
    kept_c: float | None = None


_NOT_KEPT = Setting()


def values_of(readings: Mapping[str, Reading], plan: TrialPlan) -> dict[str, float]:
    """Return the value of each reading in its unit; what was as planned has the plan's, where there is one."""
    found = {}
    for name, r in readings.items():
        value = r.value if r.value is not None else plan.for_reading(name)
        if value is not None:
            found[name] = value
    return found


def facts_of_log(noted: Mapping[str, float], plan: TrialPlan, setting: Setting, yeast: Organism) -> dict[str, float]:
    """Return what readings and plan say together, by quantity; what was not noted is absent.

    What was noted itself wins over what is worked out.
    """
    found: dict[str, float] = {}
    for ratio, of in RATIOS.items():
        _put(found, ratio, _ratio(noted.get(of), plan.value(of)))
    for delta, of in DELTAS.items():
        _put(found, delta, _less(noted.get(of), plan.value(of)))
    _put(found, "water_ratio", _ratio(water_pct(noted, plan), plan.value("wanted_pct")))
    _put(found, "liquid_over", _less(noted.get("liquid_c"), plan.value("yeast_limit_c")))
    _put(found, "proof_ratio", _ratio(hours_at_26(noted, yeast, setting), plan.value("proof_h26")))
    _put(found, "core_delta", _less(noted.get("core_c"), core_aim(plan, setting)))
    _put(found, "bake_loss_delta", _less(bake_loss_pct(noted), plan.value("bake_loss_pct")))
    _put(found, "piece_ratio", piece_ratio(noted, plan))
    _put(found, "pan_factor", plan.value("pan_factor"))
    _put(found, "altitude_m", setting.altitude_m)
    _put(found, "kept_h", setting.kept_h)
    return {**found, **noted}


def water_pct(noted: Mapping[str, float], plan: TrialPlan) -> float | None:
    """Return all the water that went in, % of flour base; of flour dusted on two thirds count as flour of the dough."""
    poured, flour, other = noted.get("water_poured_g"), plan.value("flour_g"), plan.value("other_water_g")
    if poured is None or flour is None or flour <= 0 or other is None:
        return None
    return 100 * (other + poured) / (flour + STAYS_IN * noted.get("flour_dusted_g", 0.0))


def hours_at_26(noted: Mapping[str, float], yeast: Organism, setting: Setting = _NOT_KEPT) -> float | None:
    """Return the proof as hours at 26 °C; unknown without its minutes, or the °C of its place (else the room's).

    Where the dough was kept, it went on in the cold all the while.
    """
    minutes, temp = noted.get("proof_min"), noted.get("proof_c", noted.get("room_c"))
    if minutes is None or temp is None or (setting.kept_h and setting.kept_c is None):
        return None
    cold = (setting.kept_h or 0.0) * float(yeast.speed(setting.kept_c)) if setting.kept_c is not None else 0.0
    return minutes / 60 * float(yeast.speed(temp)) + cold


def core_aim(plan: TrialPlan, setting: Setting) -> float | None:
    """Return the core to reach, °C: the plan's, or what the height above the sea allows."""
    target = plan.value("core_target_c")
    return None if target is None else core_target_c(target, setting.altitude_m)


def bake_loss_pct(noted: Mapping[str, float]) -> float | None:
    """Return the bake loss, %: as noted, or from the masses; what gained in the oven is a slip, and says nothing."""
    if "bake_loss_pct" in noted:
        return noted["bake_loss_pct"]
    mass_in, out = noted.get("mass_in_g"), noted.get("mass_out_g")
    return None if mass_in is None or out is None or out > mass_in else 100 * (mass_in - out) / mass_in


def piece_ratio(noted: Mapping[str, float], plan: TrialPlan) -> float | None:
    """Return the mass that went into the oven over the planned one: of a piece or of all, whichever it is nearer to."""
    mass, piece, pieces = noted.get("mass_in_g"), plan.value("piece_g"), plan.value("pieces") or 1.0
    if mass is None or piece is None or piece <= 0:
        return None
    return min((mass / piece, mass / (piece * pieces)), key=lambda r: max(r, 1 / r))


def _put(found: dict[str, float], name: str, value: float | None) -> None:
    if value is not None:
        found[name] = value


def _ratio(done: float | None, planned: float | None) -> float | None:
    return None if done is None or planned is None or planned <= 0 else done / planned


def _less(done: float | None, planned: float | None) -> float | None:
    return None if done is None or planned is None else done - planned
