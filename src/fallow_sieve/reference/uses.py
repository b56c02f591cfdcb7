"""The intended uses with what they are judged by: use_bands.csv, usual_amounts.csv, leavening.csv, binder_doses.csv."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.blends import LIFT_WALL, METRICS, DoseBand, MixClass, Rules, Use, UseBand, UsualRange
from fallow_sieve.reference.doughs import leavening
from fallow_sieve.reference.practice import familiar_flours, most_in_practice
from fallow_sieve.reference.tables import read_table
from fallow_sieve.reference.use_rows import use_rows


@dataclass(frozen=True, slots=True)
class BandRow:
    """The band of a use on one metric for a class of mix, in its unit; made from the record by `make bands`."""

    use: str
    mix_class: str
    metric: str
    hard_low: float
    good_low: float
    good_high: float
    hard_high: float
    holds_low: bool
    holds_high: bool
    weight: float
    mixes: int
    why: str
    basis: str


@dataclass(frozen=True, slots=True)
class NutritionRow:
    """Where the mixes of a use lie on a number that is not judged, in its unit; made by `make bands`."""

    use: str
    metric: str
    low: float
    high: float
    mixes: int


@dataclass(frozen=True, slots=True)
class AmountRow:
    """What is usual of salt, sugar, egg, fat and the like for a use, % of flour base; what goes wrong on either side.

    Without `hard_low` nothing is known to fail for want of it.
    """

    use: str
    metric: str
    hard_low: float | None
    good_low: float
    good_high: float
    hard_high: float
    fails_under: str
    fails_over: str
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
    doses: dict[str, dict[str, DoseBand]] = defaultdict(dict)
    for d in read_table("binder_doses", DoseRow):
        doses[d.use][d.binder] = DoseBand(d.dose_low_pct, d.dose_typical_pct, d.dose_high_pct)
    bands = _bands()
    bags = _bags()
    nutrition: dict[str, list[UsualRange]] = defaultdict(list)
    for n in read_table("use_nutrition", NutritionRow):
        nutrition[n.use].append(UsualRange(n.metric, n.low, n.high, n.mixes))
    known = familiar_flours()
    uses = {
        u.use: Use(
            u.use,
            u.name,
            u.family,
            u.moisture,
            bands[u.use].pop(MixClass.PLAIN, ()),
            dict(bands[u.use]),
            tuple(bags[u.use]),
            tuple(nutrition[u.use]),
            {b: d.typical_pct for b, d in doses[u.use].items()},
            u.needs_binder,
            known.get(u.use, {}),
            most_in_practice(u.use),
        )
        for u in use_rows()
    }
    return Rules(uses, dict(doses))


def _bands() -> dict[str, dict[MixClass, tuple[UseBand, ...]]]:
    found: dict[str, dict[MixClass, tuple[UseBand, ...]]] = defaultdict(dict)
    for r in read_table("use_bands", BandRow):
        band = UseBand(
            r.hard_low,
            r.good_low,
            r.good_high,
            r.hard_high,
            r.metric,
            r.weight,
            r.basis,
            r.holds_low,
            r.holds_high,
            r.mixes,
            r.why,
        )
        by_class = found[r.use]
        by_class[MixClass(r.mix_class)] = (*by_class.get(MixClass(r.mix_class), ()), band)
    return found


@cache
def usual_amounts() -> tuple[AmountRow, ...]:
    """Return what is usual of salt, sugar, egg, fat, dried milk and unmet soda by use, % of flour base."""
    return read_table("usual_amounts", AmountRow)


def _bags() -> dict[str, list[UseBand]]:
    found: dict[str, list[UseBand]] = defaultdict(list)
    for r in leavening():
        for metric, most in (
            ("chemical_leavening_pct", r.baking_powder_high_pct),
            ("yeast_pct", r.instant_yeast_high_pct),
        ):
            if most is not None:
                why = _LIFT_WHY[metric]
                found[r.use].append(UseBand(0, 0, most, LIFT_WALL * most, metric, basis=r.basis, why=why))
    for b in usual_amounts():
        if b.metric in METRICS:  # a bag is judged by its upper side: the recipe brings what is short
            limits = (0.0, 0.0, b.good_high, b.hard_high)
            found[b.use].append(UseBand(*limits, b.metric, basis=b.basis, why=b.fails_over))
    return found


_LIFT_WHY = {
    "chemical_leavening_pct": "Rises past its strength and falls, with a soapy or metallic taste",
    "yeast_pct": "Rises past its strength before it sets, and caves in",
}
