"""What lies in the bag beside flour, judged by the usual for its use: binder, leavening, salt, sugar, egg, fat, milk.

No binder in the bag is a choice and no fault: the recipe brings it. What is in the bag is judged.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from functools import cache

from fallow_sieve.core.blends.analysis import PartShare
from fallow_sieve.core.blends.binder_load import dosed
from fallow_sieve.core.blends.mix_class import EGG_AS_FRESH, MixClass, egg_pct
from fallow_sieve.core.ingredients import Function, Kind, Role, of_kind

BINDER_WALLS = (0.35, 0.7, 1.3, 1.8)  # × usual
BINDER_WEIGHT = 1.2
FOAM_COUNTS = 0.5  # dried egg white sets a foam and gums little
LOW_CARB_TIMES = 5.0  # husk stands in for starch there
POWDER_PER_SODA = 3.0
FRESH_PER_INSTANT = 3.0
LIFT_WALL = 1.5  # × the most that is usual, in a bag as in a formula
_EGG_CARRIES_PCT = {"yeasted": 40.0, "short": 18.0}
_EGG_CARRIES = 60.0
AMOUNTS: Mapping[str, Mapping[Function, float]] = {
    "chemical_leavening_pct": {Function.BAKING_POWDER: 1.0, Function.BAKING_SODA: POWDER_PER_SODA},
    "yeast_pct": {Function.INSTANT_YEAST: 1.0, Function.FRESH_YEAST: 1 / FRESH_PER_INSTANT},
    "salt_pct": {Function.SALT: 1.0},
    "egg_pct": EGG_AS_FRESH,
    "milk_powder_pct": {Function.MILK_POWDER: 1.0, Function.SOUR_MILK_POWDER: 1.0},
}
_BY_KIND = {"sugar_pct": Kind.SWEETENER, "fat_added_pct": Kind.FAT}


@dataclass(frozen=True, slots=True)
class BinderInBag:
    """Loads (× usual): `gums` of what is there to bind alone, `carried` with seeds and egg beside it."""

    gums: float
    carried: float
    is_there: bool

    @property
    def shown(self) -> float:
        """The load that is judged: over by what binds alone, short only where nothing else carries."""
        return self.gums if self.gums >= BINDER_WALLS[1] else min(1.0, self.carried)


def counts_as(functions: Sequence[Function], metric: str) -> float:
    """Return what 1 g counts for `metric` of the bag (g): soda as three of powder, fresh yeast as a third of instant.

    >>> counts_as((Function.BAKING_SODA,), "chemical_leavening_pct"), counts_as((Function.SALT,), "sugar_pct")
    (3.0, 0.0)
    """
    if metric in _BY_KIND:
        return 1.0 if of_kind(functions, _BY_KIND[metric]) else 0.0
    weights = AMOUNTS[metric]
    return next((weights[f] for f in functions if f in weights), 0.0)


def amounts(parts: Iterable[PartShare]) -> dict[str, float]:
    """Return what lies in the bag of each metric of the bag, % of flour base; of what is not in there is no row."""
    found: dict[str, float] = {}
    for p in parts:
        for metric, counts in _counted(p.functions):
            found[metric] = found.get(metric, 0.0) + counts * (p.flour_pct or 0.0)
    return found


@cache
def _counted(functions: tuple[Function, ...]) -> tuple[tuple[str, float], ...]:
    """What an ingredient counts for, by metric: asked for every part at every move of a hand."""
    found = ((metric, counts_as(functions, metric)) for metric in (*AMOUNTS, *_BY_KIND))
    return tuple((metric, counts) for metric, counts in found if counts)


def binder_in_bag(
    parts: Sequence[PartShare], usual: Mapping[str, float], family: str, mix_class: MixClass
) -> BinderInBag | None:
    """Return the load of the binders that are in; None where a dose is not on record.

    `usual` holds typical doses, % of flour base. Gelling seeds and egg help to carry, and are no overdose.
    """
    times = LOW_CARB_TIMES if mix_class is MixClass.LOW_CARB else 1.0
    gums, seeds, seen = 0.0, 0.0, False
    for p, name in dosed(parts, usual):
        if name not in usual:
            return None
        is_foam = Function.EGG_WHITE_POWDER in p.functions
        load = (FOAM_COUNTS if is_foam else 1.0) * (p.flour_pct or 0.0) / usual[name]
        binds = is_foam or p.role is Role.BINDER
        gums, seeds = (gums + load / times, seeds) if binds else (gums, seeds + load)
        seen = seen or p.role is Role.BINDER
    egg = egg_pct([p for p in parts if Function.EGG_WHITE_POWDER not in p.functions])
    carried = gums + seeds + egg / _EGG_CARRIES_PCT.get(family, _EGG_CARRIES)
    return BinderInBag(gums, carried, seen or gums > 0)


_RICH = ("sugar_pct", "egg_pct", "fat_added_pct", "milk_powder_pct")
GUMS = frozenset({Function.XANTHAN, Function.GUAR})
OFFERED = ("xanthan-gum", "psyllium-husk", "hpmc")
_LEAST_PCT = 0.05


class BagKind(StrEnum):
    """The kinds of bag, from the barest to the one that wants water alone."""

    FLOURS = "flours"
    WITH_BINDER = "flours with binder"
    SELF_RAISING = "self-raising"
    COMPLETE = "complete"


@dataclass(frozen=True, slots=True)
class ToBring:
    """A binder that the recipe can bring: its usual dose in g for 100 g of the mix."""

    binder: str
    g_per_100_g: float


@dataclass(frozen=True, slots=True)
class BagContents:
    """The kind of bag, and binders of which a recipe has to bring one; none where it is bound or none is usual."""

    kind: BagKind
    bring: tuple[ToBring, ...]


def bag_of(parts: Sequence[PartShare], doses: Mapping[str, float], *, needs_binder: bool) -> BagContents:
    """Return the kind of bag that `parts` make, and what binder it leaves to the recipe (`doses` in % of flour base).

    Complete is what has leavening, salt or sugar with it, and something to wet or enrich: powders of milk or egg, or
    sugar. A kind follows from what is in the bag alone.
    """
    found = amounts(parts)
    lifted = found.get("chemical_leavening_pct", 0.0) >= _LEAST_PCT or found.get("yeast_pct", 0.0) >= _LEAST_PCT
    bound = any(p.role is Role.BINDER for p in parts)
    rich = any(m in found for m in _RICH)
    kind = BagKind.WITH_BINDER if bound else BagKind.FLOURS
    if lifted:
        kind = BagKind.COMPLETE if rich and "salt_pct" in found else BagKind.SELF_RAISING
    flour_share = sum(p.mix_pct for p in parts if p.in_flour_base) / 100
    bring = tuple(ToBring(b, doses[b] * flour_share) for b in OFFERED if b in doses)
    return BagContents(kind, bring if needs_binder and not bound else ())
