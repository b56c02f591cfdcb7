"""Salt, sugar, egg and fat of a dough against what is usual for its use, % of flour base.

Fat is what is added beside the flours; that of nut flours fills up what is short. What is folded in (chips, fruit) is
no part of the crumb and is left out. Where nuts or sticky starch are carried by egg, much egg is no fault. A very
thirsty flour makes more dough than its mass says, and takes as much more of everything.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.blends import egg_carries, fresh_egg_of
from fallow_sieve.core.formulas.analysis import WorkedFormula
from fallow_sieve.core.formulas.formula import OUTSIDE_DOUGH, Formula, When, is_flour, opened
from fallow_sieve.core.formulas.gauges.gauge import OF_FLOUR, Gauge, off_the_usual, on_band
from fallow_sieve.core.ingredients import Ingredient, Kind
from fallow_sieve.core.values import EDGE, Band

THIRSTY_G_PER_G = 1.8  # beyond it amounts are judged on what the flour makes
_FREE = 0.5  # of the fat in nut flours, to shorten a dough: a rule of thumb
_TRACE_PCT = 0.05


@dataclass(frozen=True, slots=True)
class UsualAmount:
    """What is usual of something for a use, % of flour base, and what goes wrong under and over it."""

    metric: str
    band: Band
    why_low: str
    why_high: str


_GAUGES = {
    "salt_pct": ("salt", "Salt"),
    "sugar_pct": ("sugar", "Sugar"),
    "egg_pct": ("egg", "Egg, as fresh"),
    "fat_added_pct": ("fat", "Fat added"),
}


def richness_gauges(
    formula: Formula,
    analysis: WorkedFormula,
    salt_pct: float,
    usual: Sequence[UsualAmount],
    but: frozenset[str] = frozenset(),
) -> tuple[Gauge, ...]:
    """Return the gauges of salt, sugar, egg and fat (% of flour base) against `usual`, but those named in `but`.

    One that is neither there nor asked for has no gauge.
    """
    if analysis.flour_g <= 0:
        return ()
    values = {"salt_pct": salt_pct, **_amounts(formula, analysis)}
    found = []
    for u in usual:
        name, label = _GAUGES.get(u.metric, ("", ""))
        value = values.get(u.metric, 0.0)
        if not name or name in but or (value < _TRACE_PCT - EDGE and u.band.good_low <= 0):
            continue
        if name == "egg" and value > u.band.good_high and egg_carries(analysis.dough.parts):
            continue
        if name == "fat" and value < u.band.good_low:
            value = min(u.band.good_low, value + _FREE * _fat_of_flours_pct(analysis))
        why = u.why_low if value < u.band.good_low else u.why_high
        found.append(on_band(name, label, OF_FLOUR, value, u.band, off_the_usual(u.band, value), why))
    return tuple(found)


def for_thirst(usual: UsualAmount, thirst_g_per_g: float | None) -> UsualAmount:
    """Return what is usual for a mix of that thirst (g/g; None: unknown): as is up to 1.8, then in proportion."""
    k = max(1.0, (thirst_g_per_g or 0.0) / THIRSTY_G_PER_G)
    return usual if k <= 1 else replace(usual, band=Band(*(k * x for x in usual.band.limits)))


def _amounts(formula: Formula, analysis: WorkedFormula) -> Mapping[str, float]:
    """Sugar, egg and fat of the crumb, % of flour base."""
    crumb = [x for x in formula.lines if x.when not in OUTSIDE_DOUGH and x.when is not When.FOLD_IN]
    parts = [(analysis.shelf[p.ingredient], p.mass_g) for p in opened(crumb, formula.blend)]
    per_cent = 100 / analysis.flour_g
    return {
        "sugar_pct": per_cent * sum(m * _sweet(i) for i, m in parts),
        "egg_pct": per_cent * sum(m * fresh_egg_of(i.functions) for i, m in parts),
        "fat_added_pct": per_cent * sum(m * _share(i, "fat_g") for i, m in parts if not is_flour(i)),
    }


def _fat_of_flours_pct(analysis: WorkedFormula) -> float:
    flours = [(analysis.shelf[p.ingredient], p.mass_g) for p in analysis.dough.parts]
    return 100 * sum(m * _share(i, "fat_g") for i, m in flours if is_flour(i)) / analysis.flour_g


def _sweet(item: Ingredient) -> float:
    """The g of sugar in 1 g, or of what stands in for it: sugar alcohols are sweet without being sugars."""
    return 1 - _share(item, "water_g") if item.function(Kind.SWEETENER) else _share(item, "sugars_g")


def _share(item: Ingredient, nutrient: str) -> float:
    found = item.range_of(nutrient)
    return found.typical / 100 if found is not None else 0.0
