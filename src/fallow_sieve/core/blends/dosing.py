"""Doses brought to the usual: the binder to one dose, leavening, yeast, salt and sugar down to what is usual."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import replace

from fallow_sieve.core.blends.analysis import Analysis, PartShare
from fallow_sieve.core.blends.bag import GUMS, counts_as
from fallow_sieve.core.blends.blend import Blend
from fallow_sieve.core.blends.differences import OF_FLOUR
from fallow_sieve.core.blends.metrics import METRICS, MetricKind
from fallow_sieve.core.blends.uses import BandResult, Fit
from fallow_sieve.core.ingredients import Role
from fallow_sieve.core.values import Change, Status, came_or_went

BINDER = "binder_load"


def doses_mended(
    blend: Blend, analysis: Analysis, fit: Fit, max_gum_pct: float | None = None
) -> tuple[Blend, tuple[Change, ...]]:
    """Return `blend` with the doses that do not pass brought to the usual, and each change in % of flour base.

    Locked parts stay. Masses are given to a tenth of a gram, so that what is brought down stays down.
    """
    factors = dict(_factors(blend, analysis, fit)) | _gums_capped(blend, analysis, max_gum_pct)
    shares = {p.ingredient: p for p in analysis.parts}
    parts, changes = [], []
    for part in blend.parts:
        factor = factors.get(part.ingredient)
        mass_g = _weighable(part.mass_g * factor) if factor is not None else part.mass_g
        parts.append(replace(part, mass_g=mass_g))
        if mass_g != part.mass_g:
            was = shares[part.ingredient]
            before = was.flour_pct or 0.0
            changes.append(came_or_went(was.ingredient, was.name, before, before * mass_g / part.mass_g, OF_FLOUR))
    return replace(blend, parts=tuple(p for p in parts if p.mass_g > 0)), tuple(changes)


def _weighable(mass_g: float) -> float:
    return max(0.1, math.floor(mass_g * 10 + 1e-9) / 10) if mass_g > 0 else 0.0


def _factors(blend: Blend, analysis: Analysis, fit: Fit) -> Iterator[tuple[str, float]]:
    """By how much each part of a dose that does not pass has to be multiplied."""
    locked = {p.ingredient for p in blend.parts if p.locked}
    for row in fit.bands:
        if row.status in (Status.HELD, Status.CLOSE) and _is_dose(row):
            value = row.estimate.typical or 0.0
            factor = 1 / value if row.band.metric == BINDER else row.band.good_high / value
            for part in analysis.parts:
                if part.ingredient not in locked and _belongs(part, row.band.metric):
                    yield part.ingredient, factor


def _gums_capped(blend: Blend, analysis: Analysis, most_pct: float | None) -> dict[str, float]:
    """By how much each gum has to be multiplied so that all together keep to the most that is wished."""
    locked = {p.ingredient for p in blend.parts if p.locked}
    gums = {p.ingredient: p.flour_pct or 0.0 for p in analysis.parts if GUMS.intersection(p.functions)}
    has = sum(gums.values())
    if most_pct is None or has <= most_pct + 1e-9:
        return {}
    return {slug: most_pct / has for slug in gums if slug not in locked}


def _is_dose(row: BandResult) -> bool:
    return row.band.metric == BINDER or METRICS[row.band.metric].kind is MetricKind.BAG


def _belongs(part: PartShare, metric: str) -> bool:
    return part.role is Role.BINDER if metric == BINDER else counts_as(part.functions, metric) > 0
