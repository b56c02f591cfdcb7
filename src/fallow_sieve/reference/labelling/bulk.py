"""Mixing in bulk: vessels and minutes, how open bins age, and what a bag may lack. Rules of thumb but for the law."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.batches.keeping import OpenClock
from fallow_sieve.core.labels.net_mass import MassClass
from fallow_sieve.core.values import Range
from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class Mixing:
    """A way of mixing: how many kg it takes, how full (%), minutes, and how it is done."""

    blender: str
    name: str
    batch_kg_low: float
    batch_kg_high: float
    fill_pct_low: float
    fill_pct_high: float
    minutes_low: float
    minutes_typical: float
    minutes_high: float
    how: str
    basis: str


@dataclass(frozen=True, slots=True)
class StorageRow:
    """How a mix of a kind keeps in a container at a temperature once it is open, what ends it, and words for it."""

    kind: str
    what: str
    container: str
    temp_c_low: float | None
    temp_c_high: float | None
    open_days_low: float | None
    open_days_typical: float | None
    open_days_high: float | None
    limited_by: str
    words: str
    basis: str


@dataclass(frozen=True, slots=True)
class NetMassRow:
    """A class of nominal masses (g) of Directive 76/211/EEC: the tolerable error, or how tall the figures stand."""

    kind: str
    start: float
    end: float
    start_in: str
    value: float
    unit: str
    source: str
    sure: str


@cache
def mixing_rows() -> tuple[Mixing, ...]:
    """Return the ways of mixing, in their order."""
    return read_table("mixing", Mixing)


@cache
def _storage() -> tuple[StorageRow, ...]:
    return read_table("storage", StorageRow)


def storage_clock(kind: str, store_temp_c: float = 20.0) -> OpenClock | None:
    """Return how an open bin of a kind (white, whole, fat) ages; None where the table does not know it."""
    rows = [r for r in _storage() if r.kind == kind and r.open_days_typical is not None]
    fits = [r for r in rows if r.temp_c_high is not None and store_temp_c <= r.temp_c_high]
    row = min(fits, key=lambda r: r.temp_c_high or 0.0) if fits else max(rows, key=_warmest, default=None)
    if row is None or row.open_days_low is None or row.open_days_typical is None or row.open_days_high is None:
        return None
    days = Range(row.open_days_low, row.open_days_typical, row.open_days_high)
    return OpenClock(kind, days, row.limited_by, row.words)


def _warmest(row: StorageRow) -> float:
    return row.temp_c_high or 0.0


def storage_words(kind: str) -> str:
    """Return how a mix of a kind is kept, in words; empty where the table does not know it."""
    return next((r.words for r in _storage() if r.kind == kind), "")


@cache
def net_masses(kind: str = "tolerable-negative-error") -> tuple[MassClass, ...]:
    """Return the classes of nominal masses: of the tolerable error, or with `figure-height` of the figures."""
    return tuple(
        MassClass(r.start, r.end, r.start_in == "yes", r.value, r.unit)
        for r in read_table("net_mass", NetMassRow)
        if r.kind == kind
    )
