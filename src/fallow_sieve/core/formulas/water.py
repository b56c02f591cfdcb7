"""Water: how much a dough of this blend wants, how to go about it, and what the kitchen's own bakes teach.

H = H₀(use, consistency) + 100 s (A − 1.20) + Σ dⱼ hⱼ, % of flour base, where A is the thirst of the mix (g/g),
s = 0.8, dⱼ a binder's dose (%) and hⱼ the water it takes (g/g). Rules of thumb; see docs/method.md.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.ingredients import Ingredient, Kind, Role, Shelf
from fallow_sieve.core.values import Range, spread_of

THIRST_SLOPE = 0.8
THIRST_OF_REFERENCE = 1.20


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
    holds: Mapping[str, Range],
) -> Prediction:
    """Return the total water (% of flour base) that flours and binders (g by slug) want at `band`.

    `holds` is g of water per g of binder with its range. A seed that binds counts by what it holds, not by its thirst
    too, so that no gram of water is counted twice. Unknown thirst or hold makes the whole unknown.
    """
    if band is None:
        return _untold("No water is on record for this use: choose a use, or a consistency that it knows.")
    flour_g = sum(flours.values())
    thirsty = {s: m for s, m in flours.items() if _hold(shelf[s], holds) is None}
    if flour_g <= 0 or not thirsty:
        return _untold("There is no flour to wet yet.")
    items = [shelf[s] for s in thirsty]
    ranges = [i.range_of("thirst_g_per_g") for i in items]
    unknown = [i.name for i, r in zip(items, ranges, strict=True) if r is None]
    unknown += [shelf[s].name for s in binders if _hold(shelf[s], holds) is None]
    if unknown:
        return _untold(f"The water taken by {', '.join(unknown)} is not known.")
    drinks = [(i, m, r) for i, m, r in zip(items, thirsty.values(), ranges, strict=True) if r is not None]
    thirst, below, above = _thirst(drinks)
    thirst_pct = 100 * THIRST_SLOPE * (thirst - THIRST_OF_REFERENCE)
    binding = {**binders, **{s: m for s, m in flours.items() if s not in thirsty}}
    takers = (*_flours(drinks, band.typical_pct + thirst_pct), *_binders(binding, flour_g, shelf, holds))
    binder_pct = sum(t.water_pct for t in takers if t.is_binder)
    rest = thirst_pct + binder_pct
    doses = [(100 * m / flour_g, h) for s, m in binding.items() if (h := _hold(shelf[s], holds)) is not None]
    of_binders = spread_of(doses)
    down = math.hypot(100 * THIRST_SLOPE * below, of_binders[0])
    up = math.hypot(100 * THIRST_SLOPE * above, of_binders[1])
    return Prediction(
        typical_pct=band.typical_pct + rest,
        low_pct=max(0.0, band.typical_pct + rest - math.hypot(band.typical_pct - band.low_pct, down)),
        high_pct=band.typical_pct + rest + math.hypot(band.high_pct - band.typical_pct, up),
        base_pct=band.typical_pct,
        thirst_pct=thirst_pct,
        binder_pct=binder_pct,
        thirst_g_per_g=thirst,
        takers=takers,
        say="",
    )


def _hold(item: Ingredient, holds: Mapping[str, Range]) -> Range | None:
    """The g of water that 1 g of a binder holds in a dough, by what it does; None where it is none, or not known."""
    return holds.get(item.standard(Kind.BINDER) or "")


def _untold(why: str) -> Prediction:
    return Prediction(None, None, None, None, None, None, None, (), why)


_Drinks = Sequence[tuple[Ingredient, float, Range]]  # flours with their mass in g and their thirst in g/g


def _thirst(drinks: _Drinks) -> tuple[float, float, float]:
    """The mean thirst (g/g) and its 95 % interval down and up, the flours independent of one another."""
    total = sum(m for _, m, _ in drinks)
    mean = sum(m * r.typical for _, m, r in drinks) / total
    below = math.hypot(*(m * (r.typical - r.low) for _, m, r in drinks)) / total
    above = math.hypot(*(m * (r.high - r.typical) for _, m, r in drinks)) / total
    return mean, below, above


def _flours(drinks: _Drinks, flours_pct: float) -> list[Taker]:
    """What the flours take together, `flours_pct`, shared out by mass times thirst."""
    total = sum(m for _, m, _ in drinks)
    whole = sum(m * r.typical for _, m, r in drinks) or 1.0
    found = [
        Taker(i.slug, i.name, i.role, False, 100 * m / total, flours_pct * m * r.typical / whole) for i, m, r in drinks
    ]
    return sorted(found, key=lambda t: -t.water_pct)


def _binders(binders: Mapping[str, float], flour_g: float, shelf: Shelf, holds: Mapping[str, Range]) -> list[Taker]:
    doses = {s: 100 * m / flour_g for s, m in binders.items()}
    return [
        Taker(s, shelf[s].name, shelf[s].role, True, d, d * (h.typical if (h := _hold(shelf[s], holds)) else 0.0))
        for s, d in doses.items()
    ]
