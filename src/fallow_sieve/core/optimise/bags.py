"""How sure a blend is: the share of bags with which it passes, over many draws of its flours' numbers.

Each number of each part is drawn about its typical value, on either side with the σ of that side of its range
(§ "Sums over the parts" of docs/method.md), and not under nothing. Parts and numbers are taken as independent.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.blends import FIELD_OF_METRIC, METRICS, ROLE_SHARES, Analysis, Use
from fallow_sieve.core.ingredients import Ingredient, Shelf, available_range
from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.values import CupStandard, cup_ml

DRAWS = 2000
SEED = 20


@dataclass(frozen=True, slots=True)
class BagShare:
    """Of 100 bags, with how many the blend passes one sieve (its good band), and with how many it is not held."""

    metric: str
    passes_pct: float
    through_pct: float


@dataclass(frozen=True, slots=True)
class Bags:
    """The share of bags (%) with which the blend passes every sieve, gets through all, and each sieve by itself.

    `weakest` is the metric that fails with the most bags, empty where none does.
    """

    passes_pct: float
    through_pct: float
    sieves: tuple[BagShare, ...]
    weakest: str
    draws: int


def bags_of(
    analysis: Analysis,
    shelf: Shelf,
    use: Use,
    rng: np.random.Generator,
    draws: int = DRAWS,
    cup: CupStandard = CupStandard.US,
) -> Bags:
    """Return with what share of bags (%) a blend passes the bands of `use`, over `draws` draws from `rng`.

    A metric that is not known of every part is left out.
    """
    items = [shelf[p.ingredient] for p in analysis.parts]
    masses = np.array([p.mass_g for p in analysis.parts])
    drawn = _Drawn(items, masses, rng, draws, cup)
    passes, through = np.ones(draws, dtype=bool), np.ones(draws, dtype=bool)
    found = []
    for metric in dict.fromkeys(b.metric for b in use.all_bands):
        values = drawn.metric(metric)
        if values is None:
            continue
        good, hard = (_inside(values, use, metric, good=of_good) for of_good in (True, False))
        passes &= good
        through &= hard
        found.append(BagShare(metric, 100 * float(good.mean()), 100 * float(hard.mean())))
    weakest = min(found, key=lambda s: s.passes_pct, default=None)
    name = weakest.metric if weakest and weakest.passes_pct < 100 else ""
    return Bags(100 * float(passes.mean()), 100 * float(through.mean()), tuple(found), name, draws)


def _inside(values: Array, use: Use, metric: str, *, good: bool) -> np.ndarray[tuple[int], np.dtype[np.bool_]]:
    """The draws that lie in the bands of all that the mix is for."""
    bands = [b for b in use.all_bands if b.metric == metric]
    low = max(b.good_low if good else b.hard_low for b in bands)
    high = min(b.good_high if good else b.hard_high for b in bands)
    marks = (values >= low - 1e-9) & (values <= high + 1e-9)
    return np.asarray(marks)


class _Drawn:
    """Draws of every field that is asked for, each part and field once."""

    def __init__(
        self, items: list[Ingredient], masses: Array, rng: np.random.Generator, draws: int, cup: CupStandard
    ) -> None:
        self._items, self._masses, self._rng, self._draws, self._cup = items, masses, rng, draws, cup
        self._flour = masses * np.array([i.in_flour_base for i in items])

    def metric(self, name: str) -> Array | None:
        if name in ROLE_SHARES:
            of_role = np.array([i.role is ROLE_SHARES[name] for i in self._items])
            share = 100 * float((self._flour * of_role).sum() / self._flour.sum()) if self._flour.sum() else 0.0
            return np.full(self._draws, share)
        if name == "amylose_pct_of_starch":
            return self._amylose()
        if name in ("density_g_per_ml", "cup_g"):
            return self._volume(name)
        base = self._masses if METRICS[name].basis == "mix" else self._flour
        drawn = self._field(FIELD_OF_METRIC[name], base)
        if drawn is None or base.sum() <= 0:
            return None
        return np.asarray((100.0 if name == "sticky_share_pct" else 1.0) * (drawn @ base) / base.sum())

    def _field(self, name: str, base: Array) -> Array | None:
        ranges = [available_range(i) if name == "available_carbohydrate_g" else i.range_of(name) for i in self._items]
        if any(r is None and m > 0 for r, m in zip(ranges, base, strict=True)):
            return None
        typical = np.array([r.typical if r else 0.0 for r in ranges])
        below = np.array([r.sigma_low if r else 0.0 for r in ranges])
        above = np.array([r.sigma_high if r else 0.0 for r in ranges])
        drawn = self._rng.standard_normal((self._draws, len(ranges)))
        return np.maximum(0.0, typical + np.where(drawn < 0, below, above) * drawn)

    def _amylose(self) -> Array | None:
        known = np.array([i.range_of("amylose_pct") is not None for i in self._items], dtype=float)
        starch = self._field("starch_g", self._masses)
        amylose = self._field("amylose_pct", self._masses * known)
        if starch is None or amylose is None:
            return None
        weights = starch * self._masses * known
        total = weights.sum(axis=1)
        mean = np.divide((weights * amylose).sum(axis=1), total, out=np.zeros(self._draws), where=total > 0)
        return np.asarray(mean)

    def _volume(self, name: str) -> Array | None:
        density = self._field("density_g_per_ml", self._masses)
        if density is None:
            return None
        values = self._masses.sum() / (self._masses / np.maximum(density, 1e-3)).sum(axis=1)
        return np.asarray(values * (cup_ml(self._cup) if name == "cup_g" else 1.0))
