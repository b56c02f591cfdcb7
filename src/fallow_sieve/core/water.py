"""Water: how much a dough of this blend wants, how to go about it, and what the kitchen's own bakes teach.

H = H₀(use, consistency) + 100 s (A − 1.20) + Σ dⱼ hⱼ, % of flour base, where A is the thirst of the mix (g/g),
s = 0.8, dⱼ a binder's dose (%) and hⱼ the water it takes (g/g). Rules of thumb; see docs/method.md.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from fallow_sieve.core.errors import BadInputError
from fallow_sieve.core.estimates import Range
from fallow_sieve.core.ingredients import Ingredient, Role
from fallow_sieve.core.shelf import Shelf

THIRST_SLOPE = 0.8
THIRST_OF_REFERENCE = 1.20
PRIOR_SD = 0.12
BAKE_SD = 0.06
HOLD_BACK = 0.85
STEP_PCT = 2.0
REST_MINUTES = (10, 15)


@dataclass(frozen=True, slots=True)
class HydrationBand:
    """Total water for a use at a consistency, % of flour base."""

    low_pct: float
    typical_pct: float
    high_pct: float


@dataclass(frozen=True, slots=True)
class Taker:
    """Where water goes: a flour or binder, its share of flour base or dose (%), and the water it takes (% of flour)."""

    ingredient: str
    name: str
    role: Role
    is_binder: bool
    share_pct: float
    water_pct: float


@dataclass(frozen=True, slots=True)
class Prediction:
    """Total water wanted, % of flour base, with its range; `base_pct`, `thirst_pct` and `binder_pct` add up to it.

    `takers` say where it goes. All None, with the reason in `say`, where it cannot be told.
    """

    typical_pct: float | None
    low_pct: float | None
    high_pct: float | None
    base_pct: float | None
    thirst_pct: float | None
    binder_pct: float | None
    thirst_g_per_g: float | None
    takers: tuple[Taker, ...]
    say: str


def predict(
    flours: Mapping[str, float],
    binders: Mapping[str, float],
    shelf: Shelf,
    band: HydrationBand | None,
    holds: Mapping[str, float],
) -> Prediction:
    """Return the total water (% of flour base) that flours and binders (g by slug) want at `band`.

    `holds` is g of water per g of binder. A seed that binds (in `holds`) counts by what it holds, not by its thirst
    too, so that no gram of water is counted twice. Unknown thirst or hold makes the whole unknown.
    """
    if band is None:
        return _untold("No water is on record for this use: choose a use, or a consistency that it knows.")
    flour_g = sum(flours.values())
    thirsty = {s: m for s, m in flours.items() if s not in holds}
    if flour_g <= 0 or not thirsty:
        return _untold("There is no flour to wet yet.")
    items = [shelf[s] for s in thirsty]
    ranges = [i.range_of("thirst_g_per_g") for i in items]
    unknown = [i.name for i, r in zip(items, ranges, strict=True) if r is None]
    unknown += [shelf[s].name for s in binders if s not in holds]
    if unknown:
        return _untold(f"The water taken by {', '.join(unknown)} is not known.")
    drinks = [(i, m, r) for i, m, r in zip(items, thirsty.values(), ranges, strict=True) if r is not None]
    thirst, reach = _thirst(drinks)
    thirst_pct = 100 * THIRST_SLOPE * (thirst - THIRST_OF_REFERENCE)
    binding = {**binders, **{s: m for s, m in flours.items() if s in holds}}
    takers = (*_flours(drinks, band.typical_pct + thirst_pct), *_binders(binding, flour_g, shelf, holds))
    binder_pct = sum(t.water_pct for t in takers if t.is_binder)
    rest = thirst_pct + binder_pct
    spread = 100 * THIRST_SLOPE * reach
    return Prediction(
        typical_pct=band.typical_pct + rest,
        low_pct=max(0.0, band.typical_pct + rest - math.hypot(band.typical_pct - band.low_pct, spread)),
        high_pct=band.typical_pct + rest + math.hypot(band.high_pct - band.typical_pct, spread),
        base_pct=band.typical_pct,
        thirst_pct=thirst_pct,
        binder_pct=binder_pct,
        thirst_g_per_g=thirst,
        takers=takers,
        say="",
    )


def _untold(why: str) -> Prediction:
    return Prediction(None, None, None, None, None, None, None, (), why)


_Drinks = Sequence[tuple[Ingredient, float, Range]]  # flours with their mass in g and their thirst in g/g


def _thirst(drinks: _Drinks) -> tuple[float, float]:
    """The mean thirst (g/g) and half its 95 % interval, the flours independent of one another."""
    total = sum(m for _, m, _ in drinks)
    mean = sum(m * r.typical for _, m, r in drinks) / total
    return mean, 1.96 * math.sqrt(sum((m * r.sigma) ** 2 for _, m, r in drinks)) / total


def _flours(drinks: _Drinks, flours_pct: float) -> list[Taker]:
    """What the flours take together, `flours_pct`, shared out by mass times thirst."""
    total = sum(m for _, m, _ in drinks)
    whole = sum(m * r.typical for _, m, r in drinks) or 1.0
    found = [
        Taker(i.slug, i.name, i.role, False, 100 * m / total, flours_pct * m * r.typical / whole) for i, m, r in drinks
    ]
    return sorted(found, key=lambda t: -t.water_pct)


def _binders(binders: Mapping[str, float], flour_g: float, shelf: Shelf, holds: Mapping[str, float]) -> list[Taker]:
    doses = {s: 100 * m / flour_g for s, m in binders.items()}
    return [Taker(s, shelf[s].name, shelf[s].role, True, d, d * holds[s]) for s, d in doses.items()]


@dataclass(frozen=True, slots=True)
class Bake:
    """Water that really went into a bake and what was predicted without any correction, both % of flour base."""

    predicted_pct: float
    actual_pct: float
    blend: str
    family: str
    on: str = ""

    @property
    def log_ratio(self) -> float:
        """r = ln(actual / predicted)."""
        return math.log(self.actual_pct / self.predicted_pct)


@dataclass(frozen=True, slots=True)
class Learnt:
    """What the bakes say of one level (kitchen, use or blend): ln of a factor, its sd, how many stand behind it."""

    level: str
    mean: float
    sd: float
    bakes: int

    @property
    def factor(self) -> float:
        """The factor on the predicted water."""
        return math.exp(self.mean)


# The prior variance is shared by the three levels, so that a blend without bakes takes over what its use and its
# kitchen have taught, less sure of itself; of one blend alone it is the plain normal–normal update.
_LEVEL_VARIANCE = PRIOR_SD**2 / 3


def check_bake(bake: Bake) -> None:
    """Raise BadInputError unless both waters (% of flour base) are over 0 and within a factor of three."""
    for name, value in (("predicted", bake.predicted_pct), ("actual", bake.actual_pct)):
        if not (math.isfinite(value) and 0 < value <= 1000):
            raise BadInputError(f"{name} water of {value:g} % of flour", right="it must be over 0 and at most 1000 %")
    if abs(bake.log_ratio) > math.log(3):
        raise BadInputError(
            f"{bake.actual_pct:.0f} % of flour went in where {bake.predicted_pct:.0f} % was predicted",
            place="/poured_g",
            right="check the grams: more than three times as much, or a third, is taken for a slip",
        )


def learn(bakes: Sequence[Bake], blend: str, family: str) -> tuple[Learnt, Learnt, Learnt]:
    """Return what `bakes` teach about the kitchen, the use family and the blend (ln of a factor, and its sd).

    A normal model with three nested levels, prior sd 0.12 in all and 0.06 for one bake; solved exactly. What the same
    bakes teach is remembered: it is asked at every move of a hand.
    """
    return _learn(tuple(bakes), blend, family)


@lru_cache(maxsize=256)
def _learn(bakes: tuple[Bake, ...], blend: str, family: str) -> tuple[Learnt, Learnt, Learnt]:
    groups: dict[tuple[str, str], list[float]] = {}
    for bake in bakes:
        check_bake(bake)
        groups.setdefault((bake.family, bake.blend), []).append(bake.log_ratio)
    keys = list(groups)
    counts = np.array([len(groups[k]) for k in keys], dtype=float)
    means = np.array([float(np.mean(groups[k])) for k in keys])
    shared = np.array([[_shared(a, b, 3) for b in keys] for a in keys]).reshape(len(keys), len(keys))
    noisy = shared + np.diag(BAKE_SD**2 / counts)
    target = (family, blend)
    here = (
        sum(len(v) for v in groups.values()),
        sum(len(v) for k, v in groups.items() if k[0] == family),
        len(groups.get(target, [])),
    )
    levels = []
    for depth, (level, count) in enumerate(zip(("kitchen", "use", "blend"), here, strict=True), start=1):
        cross = np.array([_shared(target, k, depth) for k in keys])
        weights = np.linalg.solve(noisy, cross) if keys else cross
        variance = depth * _LEVEL_VARIANCE - float(weights @ cross)
        levels.append(Learnt(level, float(weights @ means), math.sqrt(max(0.0, variance)), count))
    return levels[0], levels[1], levels[2]


def _shared(a: tuple[str, str], b: tuple[str, str], depth: int) -> float:
    """The prior covariance of two blends, as far down as `depth`: they share the kitchen, maybe the use, maybe all."""
    levels = 1 + (a[0] == b[0]) + (a == b)
    return min(levels, depth) * _LEVEL_VARIANCE


@dataclass(frozen=True, slots=True)
class Corrected:
    """A prediction after learning, % of flour base: the corrected typical and narrowed range, and by what factor."""

    typical_pct: float
    low_pct: float
    high_pct: float
    factor: float
    bakes: int
    level: str
    say: str


def correct(prediction: Prediction, learnt: Sequence[Learnt]) -> Corrected | None:
    """Return `prediction` corrected by what the bakes taught; None where there is no prediction.

    The range narrows as the next bake becomes surer: its width scales with √(sd² + 0.06²) on the log scale.
    """
    typical, low, high = prediction.typical_pct, prediction.low_pct, prediction.high_pct
    if typical is None or low is None or high is None or typical <= 0:
        return None
    found = learnt[-1]
    sharper = math.hypot(found.sd, BAKE_SD) / math.hypot(PRIOR_SD, BAKE_SD)
    centre = typical * found.factor
    reach_low = (max(low, 1e-6) / typical) ** sharper
    reach_high = (high / typical) ** sharper
    behind = next((x for x in reversed(learnt) if x.bakes), found)
    return Corrected(
        centre,
        centre * reach_low,
        centre * reach_high,
        found.factor,
        behind.bakes,
        behind.level,
        _learnt_words(found, behind),
    )


_OF = {"blend": "of this blend", "use": "of this kind", "kitchen": "of this kitchen"}


def _learnt_words(found: Learnt, behind: Learnt) -> str:
    if not behind.bakes:
        return "No bake has taught anything yet: this is the rule of thumb."
    by = 100 * (found.factor - 1)
    way = f"{abs(by):.0f} % {'more' if by > 0 else 'less'} water" if abs(by) >= 0.5 else "no correction"
    bakes = f"{behind.bakes} bake{'s' if behind.bakes > 1 else ''} {_OF[behind.level]}"
    return f"{bakes} {'say' if behind.bakes > 1 else 'says'} {way}."


@dataclass(frozen=True, slots=True)
class PourStep:
    """One step of adding water: what to do, g to pour, g poured so far, total water then (% of flour base)."""

    say: str
    pour_g: float
    poured_g: float
    total_pct: float


def hold_back(low_pct: float, high_pct: float, flour_g: float, other_water_g: float) -> tuple[PourStep, ...]:
    """Return the steps of the hold-back plan: 85 % of the low end, a rest, then steps of 2 % of flour to the high end.

    `other_water_g` is the g of water that the other lines bring. Raises BadInputError without flour.
    """
    if flour_g <= 0:
        raise BadInputError("there is no flour to wet", right="add the blend first")
    first = max(0.0, HOLD_BACK * low_pct / 100 * flour_g - other_water_g)
    most = max(first, high_pct / 100 * flour_g - other_water_g)
    step = STEP_PCT / 100 * flour_g

    def pct(poured: float) -> float:
        return 100 * (poured + other_water_g) / flour_g

    low, high = REST_MINUTES
    begin = "Pour this first, mix" if first > 0 else "Mix what is there without the water"
    steps = [
        PourStep(
            f"{begin}, and rest {low}–{high} minutes: starch and fibre wet slowly.",
            first,
            first,
            pct(first),
        )
    ]
    poured = first
    while poured < most - 1e-9:
        add = min(step, most - poured)
        poured += add
        steps.append(PourStep("Work it in; stop when it feels right.", add, poured, pct(poured)))
    return tuple(steps)
