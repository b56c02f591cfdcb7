"""The bake of a formula: phases with the pan's material, when it is done, how long it cools, and cautions.

Phases, core temperatures and losses are rules of thumb by use; the pan's factor is on time.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

from fallow_sieve.core.baking.ovens import GasMark, OvenSetting, setting
from fallow_sieve.core.blends import Caution
from fallow_sieve.core.values import UnknownNameError

RICH_PCT = 15.0  # fat and sugars, % of flour


@dataclass(frozen=True, slots=True)
class Phase:
    """One phase as the table has it: oven °C (conventional), minutes, covered, steamed, in the tin."""

    oven_c: float
    minutes_low: float
    minutes_typical: float
    minutes_high: float
    covered: bool
    steam: bool
    in_tin: bool


@dataclass(frozen=True, slots=True)
class Doneness:
    """When a bake is done: core °C from–to, minutes to cool before cutting, and what it loses in baking, %."""

    core_low_c: float
    core_high_c: float
    cool_minutes: float
    bake_loss_pct: float


@dataclass(frozen=True, slots=True)
class Pan:
    """A pan material: its factor on baking time, and a note."""

    material: str
    time_factor: float
    note: str


@dataclass(frozen=True, slots=True)
class PlannedPhase:
    """One phase for this pan: the oven's setting, minutes (low, typical, high), and what to do in words."""

    oven: OvenSetting
    minutes_low: float
    minutes_typical: float
    minutes_high: float
    covered: bool
    steam: bool
    in_tin: bool
    say: str


@dataclass(frozen=True, slots=True)
class BakePlan:
    """Phases in order, the core to reach (°C) with its reason, cooling (min), bake loss (%), pan note, cautions.

    `core_aim_c` is the end of the core's range to aim for: the lower for a rich dough, the upper for a lean one.

    Everything but `cautions` is empty or None where the use has no rule; `say` then says so.
    """

    phases: tuple[PlannedPhase, ...]
    core_low_c: float | None
    core_high_c: float | None
    core_why: str
    cool_minutes: float | None
    cool_why: str
    bake_loss_pct: float | None
    pan_note: str
    cautions: tuple[Caution, ...]
    say: str
    core_aim_c: float | None = None


def plan_bake(
    phases: Sequence[Phase], done: Doneness | None, pan: Pan, marks: Sequence[GasMark], fat_and_sugar_pct: float = 0.0
) -> BakePlan:
    """Return the bake for a pan; times in minutes × the pan's factor where the phase is in the tin.

    `fat_and_sugar_pct` (% of flour) says how rich it is: rich doughs are done at the lower core, lean at the higher.
    """
    return _planned(tuple(phases), done, pan, tuple(marks), fat_and_sugar_pct > RICH_PCT)


@lru_cache(maxsize=256)
def _planned(
    phases: tuple[Phase, ...], done: Doneness | None, pan: Pan, marks: tuple[GasMark, ...], rich: bool
) -> BakePlan:
    """The bake, kept: a hand that moves a line changes it seldom."""
    planned = tuple(_phase(p, pan, marks) for p in phases)
    return BakePlan(
        phases=planned,
        core_low_c=done.core_low_c if done else None,
        core_high_c=done.core_high_c if done else None,
        core_why=_core_words(done, rich) if done else "",
        cool_minutes=done.cool_minutes if done else None,
        cool_why="The starch still sets while it cools: cut warm, the crumb smears and turns gummy." if done else "",
        bake_loss_pct=done.bake_loss_pct if done else None,
        pan_note=pan.note,
        cautions=_cautions(phases),
        say="" if phases else "No bake is on record for this use: note what worked, and go by the core.",
        core_aim_c=(done.core_low_c if rich else done.core_high_c) if done else None,
    )


def _core_words(done: Doneness, rich: bool) -> str:
    end = (
        f"{done.core_low_c:.0f} °C, the lower end, for it is rich"
        if rich
        else f"{done.core_high_c:.0f} °C, the upper end, for it is lean"
    )
    return f"Aim for {end}: under it the starch is not set through, far over it the crumb dries out."


def _phase(p: Phase, pan: Pan, marks: Sequence[GasMark]) -> PlannedPhase:
    k = pan.time_factor if p.in_tin else 1.0
    how = [w for w, yes in (("covered", p.covered), ("with steam", p.steam), ("in the tin", p.in_tin)) if yes]
    if not p.in_tin and not p.covered:
        how.append("open")
    return PlannedPhase(
        setting(p.oven_c, marks),
        p.minutes_low * k,
        p.minutes_typical * k,
        p.minutes_high * k,
        p.covered,
        p.steam,
        p.in_tin,
        ", ".join(how),
    )


def _cautions(phases: Sequence[Phase]) -> tuple[Caution, ...]:
    found = [
        Caution("raw", "Raw flour and raw egg are not safe to taste: bake to the core temperature, and measure it.")
    ]
    if any(p.steam for p in phases):
        found.append(Caution("steam", "Steam burns: stand to the side when you open the oven or lift the lid."))
    found.append(Caution("hot", "Tins, stones and preheated lids stay hot for a long time: use dry gloves."))
    return tuple(found)


def pan_named(name: str | None, pans: Sequence[Pan]) -> Pan:
    """Return the pan of that material, or the reference (factor 1) for None. Raises UnknownNameError."""
    if name is None:
        return next(p for p in pans if p.time_factor == 1.0)
    found = next((p for p in pans if p.material == name), None)
    if found is None:
        raise UnknownNameError("pan material", name, [p.material for p in pans], place="/pan")
    return found
