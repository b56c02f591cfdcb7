"""The class of a mix: what egg, husk or starch alone carries is another kind of bake, with bands of its own.

Low-carbohydrate mixes (nuts, seeds and protein, carried by egg or much husk) and breads of sticky starch with egg and
cheese would stretch the bands of their use until nothing is held. Rules of thumb; see docs/method.md.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from enum import StrEnum

from fallow_sieve.core.blends.analysis import Analysis, PartShare
from fallow_sieve.core.ingredients import Function, Role

LITTLE_STARCH_PCT = 22.0
MOSTLY_STICKY_PCT = 60.0
EGG_OF_STARCH_BREADS_PCT = 20.0
MUCH_HUSK_PCT = 8.0
MUCH_SEED_PCT = 20.0
VERY_THIRSTY_G_PER_G = 2.2
EGG_OF_SHORT_PCT = 10.0
EGG_OF_SOFT_PCT = 30.0
EGG_PER_THIRST = 50.0  # % of egg for each g of water per g that the flours take beyond their own mass
MOSTLY_NUTS_PCT = 50.0
ALL_STARCH_PCT = 80.0
_SHORT = frozenset({"short", "other"})
# g of fresh egg that 1 g stands for: dried whites are an eighth of what they were, dried whole egg a quarter
EGG_AS_FRESH: Mapping[Function, float] = {
    Function.EGG: 1.0,
    Function.EGG_WHITE: 1.0,
    Function.EGG_YOLK: 1.0,
    Function.EGG_WHITE_POWDER: 8.0,
    Function.WHOLE_EGG_POWDER: 4.0,
}
_HUSK_PER_POWDER = 1.2


class MixClass(StrEnum):
    """The kinds of mix that a use is judged by apart."""

    PLAIN = "plain"
    LOW_CARB = "low-carb"
    EGG_STARCH = "egg-starch"


def egg_pct(parts: Iterable[PartShare]) -> float:
    """Return what is egg in `parts`, as fresh egg, % of flour base: white, yolk and powders count."""
    return sum(fresh_egg_of(p.functions) * (p.flour_pct or 0.0) for p in parts)


def fresh_egg_of(functions: Iterable[Function]) -> float:
    """Return the g of fresh egg that 1 g stands for; 0 where it is no egg."""
    return next((EGG_AS_FRESH[f] for f in functions if f in EGG_AS_FRESH), 0.0)


def egg_carries(parts: Iterable[PartShare]) -> bool:
    """Return whether egg is what carries such a mix, so that much of it is no fault: of nuts, or of starch alone."""
    shares = {Role.NUT_SEED: 0.0, Role.STARCH: 0.0}
    for p in parts:
        if p.role in shares:
            shares[p.role] += p.flour_pct or 0.0
    return shares[Role.NUT_SEED] >= MOSTLY_NUTS_PCT or shares[Role.STARCH] >= ALL_STARCH_PCT


def _share(parts: Iterable[PartShare], *functions: Function) -> float:
    return sum(p.flour_pct or 0.0 for p in parts if set(functions) & set(p.functions))


def class_of(analysis: Analysis, family: str, classes: Iterable[str]) -> MixClass:
    """Return the class of a mix for a use of `family` that has bands for `classes` beside the plain ones."""
    known = set(classes)
    starch, sticky = (analysis.metrics[m].typical for m in ("flour_starch_pct", "sticky_share_pct"))
    if MixClass.LOW_CARB in known and starch is not None and starch < LITTLE_STARCH_PCT:
        if _is_carried(analysis, family):
            return MixClass.LOW_CARB
        return MixClass.PLAIN
    is_sticky = sticky is not None and sticky >= MOSTLY_STICKY_PCT
    if MixClass.EGG_STARCH in known and is_sticky and egg_pct(analysis.parts) >= EGG_OF_STARCH_BREADS_PCT:
        return MixClass.EGG_STARCH
    return MixClass.PLAIN


def _is_carried(analysis: Analysis, family: str) -> bool:
    """Whether egg, husk or gelling seed does what starch does elsewhere."""
    parts: Sequence[PartShare] = analysis.parts
    thirst = analysis.metrics["thirst_g_per_g"].typical or 0.0
    husk = _share(parts, Function.PSYLLIUM_HUSK) + _HUSK_PER_POWDER * _share(parts, Function.PSYLLIUM_POWDER)
    seeds = _share(parts, Function.FLAXSEED, Function.CHIA)
    if husk >= MUCH_HUSK_PCT or (family == "general" and seeds >= MUCH_SEED_PCT / 2):  # the recipe brings the egg
        return True
    short = family in _SHORT and thirst < VERY_THIRSTY_G_PER_G
    if short and seeds >= MUCH_SEED_PCT:
        return True
    needed = EGG_OF_SHORT_PCT if short else max(EGG_OF_SOFT_PCT, EGG_PER_THIRST * (thirst - 1))
    return egg_pct(parts) >= needed
