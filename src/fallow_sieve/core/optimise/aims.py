"""Aims as objectives: linear ones, and the least margin, the smallest distance to an edge of a good band.

The margin of a ratio (amylose, density) is not linear; it is reached by steps (Crouzeix & Ferland 1991, Math. Program.
52, 191–207): each solve takes the distance with the last margin put in, until it grows no more.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.blends import METRICS, UseBand
from fallow_sieve.core.ingredients import Role
from fallow_sieve.core.numerics.programs import Array, Terms
from fallow_sieve.core.optimise.linear_metrics import Form, form_of
from fallow_sieve.core.optimise.model import Model
from fallow_sieve.core.optimise.named_limits import cost_line
from fallow_sieve.core.optimise.problem import Limit, Problem
from fallow_sieve.core.optimise.wishes import Aim

_METRIC_OF = {
    Aim.MOST_FIBRE: ("fibre_pct", -1.0),
    Aim.MOST_PROTEIN: ("protein_pct", -1.0),
    Aim.MILDEST: ("flavour_index", 1.0),
    Aim.LIGHTEST: ("lightness_l", -1.0),
    Aim.LOW_CARBOHYDRATE: ("available_carbohydrate_pct", 1.0),
}
WHOLE_GRAIN_PCT = 51.0  # what the aim of whole grain asks for: more than half
STRANGE_COSTS = 0.4  # band widths of margin that a mix of nothing but flours strange to its use may win; rule of thumb
_WORTH = {Aim.WHOLE_GRAIN: 100.0, Aim.LOW_CARBOHYDRATE: 30.0}  # of a band width, in the unit of what is sought
_BIN_OF_WIDTH = 0.01  # what a bin costs there, in band widths
_BIN_COUNTS_AS = 0.02  # a bin more weighs as much as 0.02 of 5 in flavour, where margins are equal; rule of thumb


@dataclass(frozen=True, slots=True)
class Objective:
    """A linear aim: minimise a·x + c·z + a₀ (x in % of flour base); `sign` -1 where more is better."""

    aim: Aim
    a: Array
    c: Array
    a0: float
    sign: float
    unit: str

    def value(self, shares: Array) -> float:
        """Return what is sought, at `shares` (% of flour base), in `unit`: cost, fibre, bins …"""
        return self.sign * (float(self.a @ shares) + float(self.c @ (shares > 0)) + self.a0)

    def terms(self, model: Model) -> Terms:
        """Return the terms to minimise: what is sought, and where flours are free to choose, strange ones and bins."""
        return [*model.over_shares(self.a), (model.z, self.c), *self._choosing(model)]

    def _choosing(self, model: Model) -> Terms:
        worth = _WORTH.get(self.aim, 0.0)
        return [*((v, worth * np.asarray(c)) for v, c in strangeness(model)), (model.z, worth * _BIN_OF_WIDTH)]


def objective_of(aim: Aim, p: Problem) -> Objective | None:
    """Return the linear objective of `aim`, or None for an aim that seeks the least margin, or without data."""
    zero = np.zeros(p.count)
    if aim is Aim.CHEAPEST:
        a, a0 = cost_line(p)
        return Objective(aim, a, zero, a0, 1.0, "per kg")
    if aim is Aim.FEWEST_BINS:
        return Objective(aim, zero, np.ones(p.count), 0.0, 1.0, "bins")
    if aim is Aim.FROM_STOCK and p.wishes.use_up:
        a = np.array([-1.0 if s in p.wishes.use_up else 0.0 for s in p.slugs])
        return Objective(aim, a, zero, 0.0, -1.0, "% of flour")
    if aim is Aim.WHOLE_GRAIN:
        starch = np.array([1.0 if i.role is Role.STARCH else 0.0 for i in p.mix.flours])
        return Objective(aim, starch, zero, 0.0, 1.0, "% starch")
    if aim in _METRIC_OF:
        metric, sign = _METRIC_OF[aim]
        form = form_of(metric, p.mix)
        if form is None or not np.all(form.known):
            return None
        return Objective(aim, sign * form.a, zero, sign * form.a0, sign, METRICS[metric].unit)
    return None


def without_data(aim: Aim, p: Problem) -> str:
    """Return why `aim` cannot be sought, or nothing."""
    if aim is Aim.CHEAPEST and np.all(np.isnan(p.price)):
        return "no price is known"
    if aim in _METRIC_OF and objective_of(aim, p) is None:
        return f"{METRICS[_METRIC_OF[aim][0]].label.lower()} is not known of every candidate"
    if aim is Aim.FROM_STOCK and not np.any(p.stock_pct >= 1):
        return "nothing is in stock"
    return ""


def barred(aim: Aim, p: Problem) -> Array:
    """Return the most of each candidate (% of flour base) that the aim itself allows: its stock, or a known price."""
    most = np.full(p.count, 100.0)
    if aim is Aim.CHEAPEST:
        most[np.isnan(p.price)] = 0.0
    if aim is Aim.FROM_STOCK:
        most = np.minimum(most, p.stock_pct)
    return most


def asked_by(aim: Aim, p: Problem) -> tuple[Limit, ...]:
    """Return the limits that the aim itself sets: more than half whole grain where that is the aim."""
    if aim is not Aim.WHOLE_GRAIN or any(b.metric == "whole_grain_share_pct" for b in p.bands):
        return ()
    whole = np.array([1.0 if i.role is Role.WHOLE_GRAIN else 0.0 for i in p.mix.flours])
    say = f"at least {WHOLE_GRAIN_PCT:g} % whole grain"
    return (Limit(str(aim), "low", whole, np.zeros(p.count), -WHOLE_GRAIN_PCT, say, "% of flour", -1, WHOLE_GRAIN_PCT),)


def _edges(band: UseBand) -> list[tuple[float, float]]:
    """(edge, sign): distance = sign × (value − edge) in widths of the good band."""
    if band.good_high <= band.good_low:
        return []
    metric = METRICS[band.metric]
    low, high = band.good_low > metric.lowest, band.good_high < metric.highest  # nothing lies beyond what is possible
    return [(band.good_low, 1.0)] * low + [(band.good_high, -1.0)] * high


def edges_of(p: Problem) -> Iterator[tuple[UseBand, float, float]]:
    """Return every edge of a good band that has a width: band, edge in the metric's unit, sign (1 low, -1 high)."""
    for band in p.bands:
        for edge, sign in _edges(band):
            yield band, edge, sign


def edge_count(p: Problem) -> int:
    """Return how many edges there are."""
    return sum(1 for _ in edges_of(p))


def _margins(p: Problem, shares: Array) -> list[tuple[float, str]]:
    values = {b.metric: p.forms[b.metric].value(shares) for b in p.bands}
    return [(sign * (values[b.metric] - edge) / (b.good_high - b.good_low), b.metric) for b, edge, sign in edges_of(p)]


def margin(p: Problem, shares: Array) -> float:
    """Return the least margin at `shares` (% of flour base): in band widths, negative outside a good band."""
    return min(_margins(p, shares), default=(0.0, ""))[0]


def tightest(p: Problem, shares: Array) -> str:
    """Return the metric whose edge is nearest at `shares` (% of flour base)."""
    return min(_margins(p, shares), default=(0.0, ""))[1]


def add_margin(model: Model, at: float = 0.0) -> slice:
    """Return where t stands, the least margin less `at`, once it is stated.

    For linear metrics any `at` gives the same; for ratios see the head.
    """
    t = model.program.variables([-math.inf], [math.inf])
    for band, edge, sign in edges_of(model.problem):
        a, a0 = _distance(model.problem.forms[band.metric], band, edge, sign, at)
        model.program.row([*model.over_shares(a), (t, -1.0)], low=-a0)
    return t


def _distance(form: Form, band: UseBand, edge: float, sign: float, at: float) -> tuple[Array, float]:
    width = band.good_high - band.good_low
    typical = 1.0 if not form.is_ratio else float(np.mean(form.b)) * 100 + form.b0
    value = edge + sign * at * width
    scale = sign / (width * typical)
    return scale * (form.a - value * form.b), scale * (form.a0 - value * form.b0)


def strangeness(model: Model) -> Terms:
    """Return what flours that the use is not known to be made of cost, in band widths of margin."""
    return model.over_shares(STRANGE_COSTS * model.problem.unfamiliar / 100)


def mildness(model: Model) -> Terms:
    """Return what breaks ties of the least margin: a mild flavour, then few bins; bins alone if flavour is unknown."""
    form = form_of("flavour_index", model.problem.mix)
    if form is None or not np.all(form.known):
        return [(model.z, 1.0)]
    return [*model.over_shares(form.a), (model.z, _BIN_COUNTS_AS)]
