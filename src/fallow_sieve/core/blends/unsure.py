"""A blend of which some masses are only known within a range, as of a bought mix: what that does to its numbers.

Every such part is taken at either end of its range, and how far a number then moves is added to its spread in squares.
What a panel says of all parts together is not used again, so the ranges are rather too wide than too narrow.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import replace

from fallow_sieve.core.blends.analysis import Analysis, PartShare, analyse_weighed
from fallow_sieve.core.blends.blend import Blend
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.values import Z_95, CupStandard, Estimate


def analyse(blend: Blend, shelf: Shelf, cup: CupStandard = CupStandard.US) -> Analysis:
    """Return what `blend` is, from the numbers of `shelf`; `cup` sets the grams per cup.

    Raises BadInputError for parts that cannot be used. See `analysis` and docs/method.md.
    """
    found = analyse_weighed(blend, shelf, cup)
    unsure = [n for n, p in enumerate(blend.parts) if not p.is_weighed]
    return _widened(found, blend, [_ends(blend, n, shelf, cup) for n in unsure]) if unsure else found


def _ends(blend: Blend, n: int, shelf: Shelf, cup: CupStandard) -> tuple[Analysis, Analysis]:
    part = blend.parts[n]

    def at(ratio: float) -> Analysis:
        mass = max(part.mass_g * ratio, 1e-6 * part.mass_g)
        parts = (*blend.parts[:n], replace(part, mass_g=mass), *blend.parts[n + 1 :])
        return analyse_weighed(replace(blend, parts=parts), shelf, cup)

    return at(part.low_ratio), at(part.high_ratio)


def _widened(found: Analysis, blend: Blend, ends: Sequence[tuple[Analysis, Analysis]]) -> Analysis:
    def of(now: Mapping[str, Estimate], name: str, which: str) -> Estimate:
        others = [getattr(a, which)[name] for pair in ends for a in pair]
        return _wider(now[name], others, METRICS[name].highest if name in METRICS else math.inf)

    costs = [a.cost_per_kg for pair in ends for a in pair]
    return replace(
        found,
        parts=tuple(_share(s, p.low_ratio, p.high_ratio) for s, p in zip(found.parts, blend.parts, strict=True)),
        nutrients={n: of(found.nutrients, n, "nutrients") for n in found.nutrients},
        metrics={n: of(found.metrics, n, "metrics") for n in found.metrics},
        cost_per_kg=_wider(found.cost_per_kg, costs, math.inf),
    )


def _share(share: PartShare, low: float, high: float) -> PartShare:
    if low == high == 1.0:
        return share
    return replace(share, mix_low_pct=share.mix_pct * low, mix_high_pct=min(100.0, share.mix_pct * high))


def _wider(e: Estimate, others: Sequence[Estimate], highest: float) -> Estimate:
    if e.typical is None or e.low is None:
        return e
    moved = [o.typical - e.typical for o in others if o.typical is not None]
    below = math.sqrt((e.typical - e.low) ** 2 + sum(min(0.0, m) ** 2 for m in moved))
    above = math.sqrt(((e.high or e.typical) - e.typical) ** 2 + sum(max(0.0, m) ** 2 for m in moved))
    low = max(0.0, e.typical - below) if e.typical >= 0 else e.typical - below
    high = None if e.high is None else max(e.typical, min(highest, e.typical + above))
    return Estimate(e.typical, low, high, e.known_mass_pct, below / Z_95, above / Z_95)
