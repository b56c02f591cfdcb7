"""Loads the intended uses (uses.csv), their bands (use_bands.csv) and usual binder doses (binder_doses.csv)."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.blends import DoseBand, Rules, Use, UseBand
from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class UseRow:
    """An intended use."""

    use: str
    name: str
    family: str
    moisture: str


@dataclass(frozen=True, slots=True)
class BandRow:
    """The band of a use on one metric, in the metric's unit."""

    use: str
    metric: str
    hard_low: float
    good_low: float
    good_high: float
    hard_high: float
    weight: float
    basis: str


@dataclass(frozen=True, slots=True)
class DoseRow:
    """The usual dose of a binder for a use, % of flour base."""

    use: str
    binder: str
    dose_low_pct: float
    dose_typical_pct: float
    dose_high_pct: float
    basis: str


@cache
def rules() -> Rules:
    """Return the bundled rules: every use with its bands, and binder doses by use."""
    bands: dict[str, list[UseBand]] = defaultdict(list)
    for r in read_table("use_bands", BandRow):
        limits = (r.hard_low, r.good_low, r.good_high, r.hard_high)
        bands[r.use].append(UseBand(*limits, r.metric, weight=r.weight, basis=r.basis))
    doses: dict[str, dict[str, DoseBand]] = defaultdict(dict)
    for d in read_table("binder_doses", DoseRow):
        doses[d.use][d.binder] = DoseBand(d.dose_low_pct, d.dose_typical_pct, d.dose_high_pct)
    uses = {u.use: Use(u.use, u.name, u.family, u.moisture, tuple(bands[u.use])) for u in read_table("uses", UseRow)}
    return Rules(uses, dict(doses))
