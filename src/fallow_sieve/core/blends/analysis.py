"""A blend and what follows from its parts: nutrients, shares, dough metrics, volume, cost.

c = Σ wᵢ cᵢ and σ² = Σ wᵢ² σᵢ² a side, over the whole mix for nutrients and over the flour base for dough metrics
(see docs/method.md). Unknown is not zero: a sum with a gap is a lower bound and says how much is known.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field

import numpy as np

from fallow_sieve.core.blends.blend import Blend, check_parts, drawing_on
from fallow_sieve.core.blends.metrics import FLOUR_COLUMNS, KNOWN_STARCH_NEEDED, METRICS, MIX_COLUMNS, ROLE_SHARES
from fallow_sieve.core.ingredients import (
    COLUMN,
    FIELDS,
    NUTRIENTS,
    QUALITIES,
    FloatArray,
    Function,
    Ingredient,
    OnBasis,
    Role,
    Shelf,
)
from fallow_sieve.core.values import UNKNOWN, Z_95, Basis, CupStandard, Estimate, cup_ml, estimate


@dataclass(frozen=True, slots=True)
class PartShare:
    """A part with its mass in g, % of the whole mix and % of the flour base (None without flour), and its lot.

    `price_per_kg` is that of what it draws on, None where it is not known. Of a bought mix the share of the mix is only
    known from `mix_low_pct` to `mix_high_pct`; what was weighed has None.
    """

    ingredient: str
    name: str
    role: Role
    mass_g: float
    mix_pct: float
    flour_pct: float | None
    lot_id: int | None = None
    lot_code: str = ""
    functions: tuple[Function, ...] = ()
    in_flour_base: bool = False
    price_per_kg: float | None = None
    mix_low_pct: float | None = None
    mix_high_pct: float | None = None


@dataclass(frozen=True, slots=True)
class Contents:
    """What is in a mix: its mass and flour base in g, its parts, and nutrients per 100 g of mix."""

    mass_g: float
    flour_base_g: float
    parts: tuple[PartShare, ...]
    nutrients: dict[str, Estimate]


@dataclass(frozen=True, slots=True)
class Analysis(Contents):
    """What a blend is: its contents, metrics in their own units, colour, cost and quality.

    `flour_lab` is the mass-mean L*a*b* of the flour base; `gritty` the slug that gives most of the grit;
    `rests_on_pct` the % of the mix's mass by how its numbers are known; `cost_per_kg` by known mass.
    """

    metrics: dict[str, Estimate]
    cost_per_kg: Estimate
    flour_lab: tuple[float, float, float] | None
    gritty: str | None
    rests_on_pct: dict[str, float] = field(default_factory=dict)


def analyse_weighed(blend: Blend, shelf: Shelf, cup: CupStandard = CupStandard.US) -> Analysis:
    """Return what `blend` is as if every part were weighed, from the numbers of `shelf`; `cup` sets the grams per cup.

    Raises BadInputError for parts that cannot be used. See the module's head and docs/method.md.
    """
    check_parts(blend.parts, shelf)
    shelf = drawing_on(blend.parts, shelf)
    rows = np.array([shelf.row_of[p.ingredient] for p in blend.parts])
    masses = [float(p.mass_g) for p in blend.parts]
    items = [shelf.rows[r] for r in rows]
    flour = [m if i.in_flour_base else 0.0 for m, i in zip(masses, items, strict=True)]
    total_g, flour_g = sum(masses), sum(flour)
    weights = np.array([[m / total_g for m in masses], [m / (flour_g or 1.0) for m in flour]])
    mix_means, over_flour = _means(weights, shelf, rows)
    flour_means = over_flour if flour_g > 0 else None

    nutrients = {name: mix_means.of(name) for name in NUTRIENTS}
    metrics = dict.fromkeys(METRICS, UNKNOWN)
    for name, column in MIX_COLUMNS.items():
        metrics[name] = mix_means.of(column, METRICS[name].highest)
    if flour_means:
        metrics.update(_flour_metrics(flour_means, items, flour, flour_g))
    metrics["amylose_pct_of_starch"] = _amylose(items, masses)
    density = _density(items, masses)
    metrics["density_g_per_ml"] = density
    metrics["cup_g"] = density.times(cup_ml(cup))
    return Analysis(
        mass_g=total_g,
        flour_base_g=flour_g,
        parts=_shares(items, masses, total_g, flour_g),
        nutrients=nutrients,
        metrics=metrics,
        cost_per_kg=_cost_per_kg(items, [m / total_g for m in masses]),
        flour_lab=flour_means.colour() if flour_means else None,
        gritty=_grittiest(items, flour),
        rests_on_pct=_rests_on(weights[0], shelf, rows),
    )


def contents(blend: Blend, shelf: Shelf, names: Iterable[str] = NUTRIENTS) -> Contents:
    """Return what is in `blend`, without the metrics that a dry mix is judged by. Raises BadInputError.

    The same sums as `analyse`, per 100 g, of the nutrients `names`; doughs are judged by no more.
    """
    check_parts(blend.parts, shelf)
    shelf = drawing_on(blend.parts, shelf)
    rows = np.array([shelf.row_of[p.ingredient] for p in blend.parts])
    masses = [float(p.mass_g) for p in blend.parts]
    items = [shelf.rows[r] for r in rows]
    total_g = sum(masses)
    flour_g = sum(m for m, i in zip(masses, items, strict=True) if i.in_flour_base)
    (means,) = _means(np.array([[m / total_g for m in masses]]), shelf, rows)
    nutrients = {name: means.of(name) for name in names}
    return Contents(total_g, flour_g, _shares(items, masses, total_g, flour_g), nutrients)


def _means(weights: FloatArray, shelf: Shelf, rows: FloatArray) -> list[_Means]:
    """One `_Means` for each row of `weights` (bases × parts): a matrix product for values, one for variances a side."""
    facts, variances = shelf.values_and_known[rows], shelf.variance[rows]
    sums = (weights @ facts).tolist()
    sigmas = np.sqrt(weights**2 @ variances).tolist()
    n = len(FIELDS)
    return [_Means(s[:n], sigma[:n], sigma[n:], s[n:]) for s, sigma in zip(sums, sigmas, strict=True)]


class _Means:
    """Weighted means of every column: the values, their σ a side, and the share of the mass (0–1) that has one."""

    __slots__ = ("_known", "_sigma_high", "_sigma_low", "_typical")

    def __init__(
        self, typical: list[float], sigma_low: list[float], sigma_high: list[float], known: list[float]
    ) -> None:
        self._typical = typical
        self._sigma_low, self._sigma_high = sigma_low, sigma_high
        self._known = known

    def of(self, column: str, ceiling: float = math.inf) -> Estimate:
        i = COLUMN[column]
        return estimate(
            self._typical[i], self._sigma_low[i], self._sigma_high[i], 100 * self._known[i], ceiling=ceiling
        )

    def strict(self, column: str, ceiling: float) -> Estimate:
        """Like `of`, but one part without a value makes the whole unknown: an index has no lower bound."""
        found = self.of(column, ceiling)
        return found if found.is_known else Estimate(None, None, None, found.known_mass_pct)

    def colour(self) -> tuple[float, float, float] | None:
        lab = [self.strict(c, math.inf).typical for c in ("lightness_l",)]
        if lab[0] is None:
            return None
        return (
            lab[0],
            self._typical[COLUMN["colour_a"]],
            self._typical[COLUMN["colour_b"]],
        )


def _flour_metrics(
    means: _Means, items: Sequence[Ingredient], flour: Sequence[float], flour_g: float
) -> dict[str, Estimate]:
    found = {name: means.strict(column, METRICS[name].highest) for name, column in FLOUR_COLUMNS.items()}
    sticky = means.strict("stickiness", 1.0)
    found["sticky_share_pct"] = sticky.times(100)
    for name, role in ROLE_SHARES.items():
        share = 100 * sum(m for m, i in zip(flour, items, strict=True) if i.role is role) / flour_g
        found[name] = Estimate(share, share, share)
    return found


def _amylose(items: Sequence[Ingredient], masses: Sequence[float]) -> Estimate:
    """Σ w s a / Σ w s in %, over the starch whose amylose is known, if that is 98 % of it; σ by propagation."""
    starches = [i.range_of("starch_g") for i in items]
    total = sum(m * s.typical for m, s in zip(masses, starches, strict=True) if s)
    counted = [
        (m, s, a)
        for m, s, i in zip(masses, starches, items, strict=True)
        if s and (a := i.range_of("amylose_pct")) is not None
    ]
    known = sum(m * s.typical for m, s, _ in counted)
    if None in starches or total <= 0 or known < KNOWN_STARCH_NEEDED * total:
        return UNKNOWN
    mean = sum(m * s.typical * a.typical for m, s, a in counted) / known
    below = above = 0.0
    for m, s, a in counted:
        pull = m * (a.typical - mean)  # more of a starch that has more amylose than the mean raises it
        down, up = (s.sigma_low, s.sigma_high) if pull >= 0 else (s.sigma_high, s.sigma_low)
        below += (m * s.typical * a.sigma_low) ** 2 + (pull * down) ** 2
        above += (m * s.typical * a.sigma_high) ** 2 + (pull * up) ** 2
    return estimate(mean, math.sqrt(below) / known, math.sqrt(above) / known, ceiling=100.0)


def _density(items: Sequence[Ingredient], masses: Sequence[float]) -> Estimate:
    """Volumes add: ρ = Σm / Σ(m/ρᵢ), low with all lows and high with all highs."""
    total = sum(masses)
    known = [(m, r) for m, i in zip(masses, items, strict=True) if (r := i.range_of("density_g_per_ml"))]
    if len(known) < len(items):
        return Estimate(None, None, None, 100 * sum(m for m, _ in known) / total)
    low = total / sum(m / r.low for m, r in known)
    typical = total / sum(m / r.typical for m, r in known)
    high = total / sum(m / r.high for m, r in known)
    return Estimate(typical, low, high, 100.0, (typical - low) / Z_95, (high - typical) / Z_95)


def _shares(
    items: Sequence[Ingredient], masses: Sequence[float], total_g: float, flour_g: float
) -> tuple[PartShare, ...]:
    return tuple(
        PartShare(
            i.slug,
            i.name,
            i.role,
            m,
            100 * m / total_g,
            100 * m / flour_g if flour_g > 0 else None,
            i.lot_id,
            i.lot_code,
            i.functions,
            i.in_flour_base,
            i.price_per_kg,
        )
        for i, m in zip(items, masses, strict=True)
    )


def _cost_per_kg(items: Sequence[Ingredient], weights: Sequence[float]) -> Estimate:
    priced = [(w, i.price_per_kg) for w, i in zip(weights, items, strict=True) if i.price_per_kg is not None]
    return estimate(sum(w * p for w, p in priced), 0.0, 0.0, 100 * sum(w for w, _ in priced))


def _grittiest(items: Sequence[Ingredient], flour: Sequence[float]) -> str | None:
    gives = [(m * r.typical, i.slug) for m, i in zip(flour, items, strict=True) if (r := i.range_of("grit_index"))]
    most = max(gives, key=lambda g: g[0], default=(0.0, ""))
    return most[1] if most[0] > 0 else None


def _rests_on(weights: FloatArray, shelf: Shelf, rows: FloatArray) -> dict[str, float]:
    shares = (100 * weights @ shelf.rests_on[rows]).tolist()
    return {str(q): s for q, s in zip(QUALITIES, shares, strict=True)}


def of_mix(analysis: Analysis, basis: Basis) -> OnBasis:
    """Return a whole mix on `basis`: g, and nutrients in the units their names say for that mass.

    A nutrient that is not wholly known stays a lower bound: `high` is None.
    """
    bulk = analysis.metrics["density_g_per_ml"]
    if basis.mass_g is not None:
        mass = low = high = basis.mass_g
    elif bulk.typical is not None and bulk.low is not None and bulk.high is not None and basis.volume_ml is not None:
        mass, low, high = (d * basis.volume_ml for d in (bulk.typical, bulk.low, bulk.high))
    else:
        return OnBasis("", "", None, None, None, dict.fromkeys(NUTRIENTS, UNKNOWN))
    k = mass / 100
    return OnBasis("", "", mass, low, high, {n: e.times(k) for n, e in analysis.nutrients.items()})
