"""Loads the tables of water, leaven and baking by use. Rules of thumb, but for what `basis` calls defined."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class HydrationRow:
    """Total water for a use at a consistency, % of flour base."""

    use: str
    consistency: str
    water_low_pct: float
    water_typical_pct: float
    water_high_pct: float
    basis: str


@dataclass(frozen=True, slots=True)
class BinderWaterRow:
    """Water that a binder takes in a dough (g/g), and what a teaspoon of it weighs (g)."""

    binder: str
    water_low_g_per_g: float
    water_typical_g_per_g: float
    water_high_g_per_g: float
    teaspoon_g_low: float
    teaspoon_g_typical: float
    teaspoon_g_high: float
    basis: str


@dataclass(frozen=True, slots=True)
class LeaveningRow:
    """Yeast, leaven and baking powder for a use, % of flour base; None where it does not apply."""

    use: str
    instant_yeast_low_pct: float | None
    instant_yeast_typical_pct: float | None
    instant_yeast_high_pct: float | None
    leaven_low_pct: float | None
    leaven_typical_pct: float | None
    leaven_high_pct: float | None
    baking_powder_low_pct: float | None
    baking_powder_typical_pct: float | None
    baking_powder_high_pct: float | None
    note: str
    basis: str


@dataclass(frozen=True, slots=True)
class BakePhaseRow:
    """One phase of a bake: oven °C, minutes, and whether covered, steamed or in the tin."""

    use: str
    phase: int
    oven_c: float
    minutes_low: float
    minutes_typical: float
    minutes_high: float
    covered: bool
    steam: bool
    in_tin: bool
    basis: str


@dataclass(frozen=True, slots=True)
class DonenessRow:
    """When a bake is done (core °C), how long it cools before cutting (min), and what it loses (%)."""

    use: str
    core_low_c: float
    core_high_c: float
    cool_minutes_before_cutting: float
    bake_loss_pct: float
    basis: str


@cache
def hydration() -> tuple[HydrationRow, ...]:
    """Return total water by use and consistency, % of flour base."""
    return read_table("hydration", HydrationRow)


@cache
def binder_water() -> tuple[BinderWaterRow, ...]:
    """Return water by binder (g/g) and teaspoon masses (g)."""
    return read_table("binder_water", BinderWaterRow)


@cache
def leavening() -> tuple[LeaveningRow, ...]:
    """Return leavening by use, % of flour base."""
    return read_table("leavening", LeaveningRow)


@cache
def bake_phases() -> tuple[BakePhaseRow, ...]:
    """Return the phases of a bake by use (°C, min)."""
    return read_table("bake_phases", BakePhaseRow)


@cache
def doneness() -> tuple[DonenessRow, ...]:
    """Return core temperatures (°C), cooling (min) and bake loss (%) by use."""
    return read_table("doneness", DonenessRow)
