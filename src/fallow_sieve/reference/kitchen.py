"""Loads the tables of eggs, swaps, thickeners, sweeteners, pans and gas marks."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class EggRow:
    """An egg size by region: edible, white and yolk in g."""

    region: str
    size: str
    edible_g: float
    white_g: float
    yolk_g: float
    basis: str


@dataclass(frozen=True, slots=True)
class EggReplacerRow:
    """What stands in for 50 g of egg: dry g and water g; binding and lift from 0 to 1 of an egg's."""

    replacer: str
    dry_ingredient: str
    dry_g_per_50_g_egg: float
    water_g_per_50_g_egg: float
    binding: float
    lift: float
    not_for: tuple[str, ...]
    basis: str


@dataclass(frozen=True, slots=True)
class SweetnessRow:
    """A sweetener: sweetness relative to sugar, water %, whether it browns and feeds yeast."""

    sweetener: str
    sweetness_low: float
    sweetness_typical: float
    sweetness_high: float
    water_pct: float
    browns: str
    feeds_yeast: str
    note: str
    basis: str


@dataclass(frozen=True, slots=True)
class ThickeningRow:
    """A thickener: power per g relative to corn starch, and how its gel behaves."""

    thickener: str
    power_low: float
    power_typical: float
    power_high: float
    look: str
    on_cooling: str
    acid: str
    long_boil: str
    freeze_thaw: str
    browns_in_fat: str
    note: str
    basis: str


@dataclass(frozen=True, slots=True)
class PanRow:
    """A pan material: its factor on baking time."""

    material: str
    time_factor: float
    note: str
    basis: str


@dataclass(frozen=True, slots=True)
class GasMarkRow:
    """A gas mark as oven °C and °F."""

    gas_mark: float
    oven_c: float
    oven_f: float


@cache
def eggs() -> tuple[EggRow, ...]:
    """Return egg sizes by region (g)."""
    return read_table("eggs", EggRow)


@cache
def egg_replacers() -> tuple[EggReplacerRow, ...]:
    """Return what stands in for 50 g of egg (g)."""
    return read_table("egg_replacers", EggReplacerRow)


@cache
def sweetness() -> tuple[SweetnessRow, ...]:
    """Return sweeteners with sweetness relative to sugar (1) and water (%)."""
    return read_table("sweetness", SweetnessRow)


@cache
def thickening() -> tuple[ThickeningRow, ...]:
    """Return thickeners with power relative to corn starch (1)."""
    return read_table("thickening", ThickeningRow)


@cache
def pans() -> tuple[PanRow, ...]:
    """Return pan materials with their factor on baking time."""
    return read_table("pans", PanRow)


@cache
def gas_marks() -> tuple[GasMarkRow, ...]:
    """Return gas marks in °C and °F."""
    return read_table("gas_marks", GasMarkRow)
