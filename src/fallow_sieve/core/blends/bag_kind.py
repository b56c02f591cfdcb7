"""What kind of bag a mix is, and what a recipe still has to bring: the binder, where none lies in it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.blends.analysis import PartShare
from fallow_sieve.core.blends.bag import amounts
from fallow_sieve.core.ingredients import Role

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
class Bag:
    """The kind of bag, and binders of which a recipe has to bring one; none where it is bound or none is usual."""

    kind: BagKind
    bring: tuple[ToBring, ...]


def bag_of(parts: Sequence[PartShare], doses: Mapping[str, float], *, needs_binder: bool) -> Bag:
    """Return the kind of bag that `parts` make, and what binder it leaves to the recipe (`doses` in % of flour base).

    Complete is what has leavening, salt or sugar with it, and something to wet or enrich: powders of milk or egg, or
    sugar. A kind follows from what is in the bag alone.
    """
    found = amounts(parts)
    lifted = found.get("leavening_pct", 0.0) >= _LEAST_PCT or found.get("yeast_pct", 0.0) >= _LEAST_PCT
    bound = any(p.role is Role.BINDER for p in parts)
    rich = "sugar_pct" in found or any(p.role is Role.PROTEIN for p in parts)
    kind = BagKind.WITH_BINDER if bound else BagKind.FLOURS
    if lifted:
        kind = BagKind.COMPLETE if rich and "salt_pct" in found else BagKind.SELF_RAISING
    flour_share = sum(p.mix_pct for p in parts if p.role not in (Role.BINDER, Role.OTHER)) / 100
    bring = tuple(ToBring(b, doses[b] * flour_share) for b in OFFERED if b in doses)
    return Bag(kind, bring if needs_binder and not bound else ())
