"""Metrics as linear forms of the shares: value = (a·x + a₀) / (b·x + b₀), x in % of flour base, Σx = 100.

The binder's doses are fixed, so the mix has the constant mass 100 + Σ doses: means over it are linear in x. Amylose
and bulk density are ratios; multiplied out, their limits are linear too.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.blends import FIELD_OF_METRIC, KNOWN_STARCH_NEEDED, METRICS, ROLE_SHARES
from fallow_sieve.core.ingredients import Ingredient, available_range
from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.values import CupStandard, cup_ml


@dataclass(frozen=True, slots=True)
class Form:
    """A metric over the candidates: numerator a·x + a₀ and denominator b·x + b₀ (constant 1 where it is linear).

    `reach` and `reach0` are how far the numerator's coefficients and constant reach, a row down and a row up (1.96 σ a
    side); `known` marks the candidates with a value.
    """

    metric: str
    a: Array
    a0: float
    b: Array
    b0: float
    reach: Array
    reach0: Array
    known: Array

    @property
    def is_ratio(self) -> bool:
        """Whether the denominator depends on the shares."""
        return bool(np.any(self.b))

    def value(self, shares: Array) -> float:
        """Return the metric at `shares` (% of flour base), in its unit."""
        return float((self.a @ shares + self.a0) / (self.b @ shares + self.b0))


@dataclass(frozen=True, slots=True)
class Mix:
    """The candidates and the fixed doses (% of flour base) of the binders that lie in the mix."""

    flours: tuple[Ingredient, ...]
    binders: tuple[tuple[Ingredient, float], ...]
    cup: CupStandard = CupStandard.US

    @property
    def mass(self) -> float:
        """The mass of the mix for 100 of flour base."""
        return 100.0 + sum(dose for _, dose in self.binders)


def form_of(metric: str, mix: Mix) -> Form | None:
    """Return the form of `metric` over `mix`, in its unit, or None where a binder leaves it unknown."""
    if metric in ROLE_SHARES:
        a = np.array([1.0 if i.role is ROLE_SHARES[metric] else 0.0 for i in mix.flours])
        return _linear(metric, a, 0.0, np.zeros((2, len(a))), np.zeros(2), np.ones(len(a)))
    if metric in FIELD_OF_METRIC:
        return _mean(metric, mix)
    return _amylose(mix) if metric == "amylose_pct_of_starch" else _volume(metric, mix)


def _linear(metric: str, a: Array, a0: float, reach: Array, reach0: Array, known: Array) -> Form:
    return Form(metric, a, a0, np.zeros(len(a)), 1.0, reach, reach0, known)


def _mean(metric: str, mix: Mix) -> Form | None:
    """A mean over the mix (binders count) or over the flour base, from one field."""
    field = FIELD_OF_METRIC[metric]
    values, reach, known = _columns(mix.flours, field)
    if METRICS[metric].basis != "mix":
        factor = 100.0 if metric == "sticky_share_pct" else 1.0
        return _linear(metric, factor * values / 100, 0.0, factor * reach / 100, np.zeros(2), known)
    of_binders, reach_of_binders, known_binders = _columns([b for b, _ in mix.binders], field)
    doses = np.array([d for _, d in mix.binders])
    if not np.all(known_binders[doses > 0]):
        return None
    a0, r0 = float(doses @ of_binders) / mix.mass, reach_of_binders @ doses / mix.mass
    return _linear(metric, values / mix.mass, a0, reach / mix.mass, r0, known)


def _columns(items: Sequence[Ingredient], name: str) -> tuple[Array, Array, Array]:
    """Typical, how far down and up, and whether known, of one field for each of `items`."""
    ranges = [available_range(i) if name == "available_carbohydrate_g" else i.range_of(name) for i in items]
    typical = np.array([r.typical if r else 0.0 for r in ranges])
    reach = np.array([[r.typical - r.low, r.high - r.typical] if r else [0.0, 0.0] for r in ranges]).reshape(-1, 2).T
    return typical, reach, np.array([1.0 if r else 0.0 for r in ranges])


def _amylose(mix: Mix) -> Form | None:
    """Σ w s a / Σ w s; a starchless or amylose-less flour counts in neither, see `starch_known`."""
    items = [*mix.flours, *(b for b, _ in mix.binders)]
    starch, reach_s, known_s = _columns(items, "starch_g")
    amylose, reach_a, known_a = _columns(items, "amylose_pct")
    n = len(mix.flours)
    doses = np.array([d for _, d in mix.binders])
    if not np.all(known_s[n:][doses > 0]):
        return None
    counted = starch * known_a
    spread = counted * reach_a + 100.0 * reach_s * known_a * 0.25  # the mean lies within 25 points of any part
    num, den = counted * amylose, counted
    return Form(
        "amylose_pct_of_starch",
        num[:n],
        float(doses @ num[n:]),
        den[:n],
        float(doses @ den[n:]),
        spread[:, :n],
        spread[:, n:] @ doses,
        known_s[:n],
    )


def starch_known(mix: Mix) -> tuple[Array, float]:
    """Return (c, c₀) with c·x + c₀ ≥ 0 where enough of the starch (98 %) has a known amylose, x in %."""
    items = [*mix.flours, *(b for b, _ in mix.binders)]
    starch, _, _ = _columns(items, "starch_g")
    _, _, known = _columns(items, "amylose_pct")
    line = starch * (known - KNOWN_STARCH_NEEDED)
    n = len(mix.flours)
    return line[:n], float(np.array([d for _, d in mix.binders]) @ line[n:])


def _volume(metric: str, mix: Mix) -> Form | None:
    """Bulk density, or grams per cup: constant mass over volumes that add; the range has a form of its own."""
    specific = specific_volume(mix, "typical")
    if specific is None:
        return None
    b, b0, known = specific
    factor = cup_ml(mix.cup) if metric == "cup_g" else 1.0
    zero = np.zeros(len(b))
    return Form(metric, zero, factor * mix.mass, b, b0, np.zeros((2, len(b))), np.zeros(2), known)


def specific_volume(mix: Mix, end: str) -> tuple[Array, float, Array] | None:
    """Return mL per g of each candidate at one end of its density's range, that of the binders, and what is known."""
    densities = [i.range_of("density_g_per_ml") for i in mix.flours]
    of_binders = [(b.range_of("density_g_per_ml"), dose) for b, dose in mix.binders if dose > 0]
    if any(r is None for r, _ in of_binders):
        return None
    b = np.array([1.0 / getattr(r, end) if r else 0.0 for r in densities])
    b0 = sum(dose / getattr(r, end) for r, dose in of_binders)
    return b, float(b0), np.array([1.0 if r else 0.0 for r in densities])
