"""Why a proposal is what it is: which limits bind, what one unit more of each would cost, and the slack of the rest.

Marginal prices are duals of the linear program in which the used bins are fixed and the steps let go. How far each
holds is found by solving again, not from the dual alone.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np

from fallow_sieve.core.blends import METRICS
from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.numerics.solver import Duals, prices
from fallow_sieve.core.optimise.aims import Objective, add_margin, edge_count, edges_of, objective_of
from fallow_sieve.core.optimise.fit_model import limits_of_floor, log_fit
from fallow_sieve.core.optimise.linear_metrics import Mix, form_of
from fallow_sieve.core.optimise.model import Model
from fallow_sieve.core.optimise.problem import Limit, Problem
from fallow_sieve.core.optimise.proposals import with_floor
from fallow_sieve.core.optimise.wishes import Aim

_SMALL = 1e-7
_SEARCH_STEPS = 10
_SAME_SLOPE = 1e-3


@dataclass(frozen=True, slots=True)
class Binding:
    """A limit that holds the proposal back, and what one unit more of the limit's number would change.

    `marginal` is in the aim's unit per unit of the limit (positive: the aim's number rises); `side` the end of a band.
    """

    limit: str
    side: str
    say: str
    marginal: float
    unit: str


@dataclass(frozen=True, slots=True)
class Slack:
    """A limit that does not bind, and how far it is, in its unit."""

    limit: str
    side: str
    say: str
    slack: float
    unit: str


@dataclass(frozen=True, slots=True)
class More:
    """What one unit more of a metric costs: per kg (or in the aim's unit), and up to which value that price holds."""

    metric: str
    at: float
    price: float
    until: float
    unit: str


@dataclass(frozen=True, slots=True)
class Explained:
    """The binding limits with their prices, and the slack of the others."""

    binding: tuple[Binding, ...]
    slack: tuple[Slack, ...]


def explain_proposal(problem: Problem, aim: Aim, shares: Array) -> Explained:
    """Return what binds at `shares` (% of flour base), what one unit more would cost, and the slack of the rest."""
    small = only_used(problem, shares)
    kept = shares[shares > 0]
    objective = objective_of(aim, small)
    floor = min(0.0, log_fit(small, kept))
    limits = (*small.limits, *limits_of_floor(small, floor))
    model = _fixed(small, floor)
    duals = _solved(model, objective)
    binding = tuple(_bindings(model, limits, duals, objective))
    names = {(b.limit, b.side) for b in binding}
    slack = tuple(
        Slack(x.name, x.side, x.say, _distance(x, kept), x.unit)
        for x in limits
        if (x.name, x.side) not in names and math.isfinite(_distance(x, kept)) and x.side != "known"
    )
    return Explained(binding, slack)


def prices_of_more(problem: Problem, aim: Aim, shares: Array) -> tuple[More, ...]:
    """Return what one unit more of each of the usual metrics costs from `shares` (% of flour base) on."""
    small = only_used(problem, shares)
    kept = shares[shares > 0]
    return tuple(_more(small, objective_of(aim, small), min(0.0, log_fit(small, kept)), kept))


def only_used(problem: Problem, shares: Array) -> Problem:
    """Return the problem over the bins that `shares` (% of flour base) use."""
    used = np.flatnonzero(shares > 0)
    mix = Mix(tuple(problem.mix.flours[i] for i in used), problem.mix.binders, problem.mix.cup)
    forms = {m: f for m in problem.forms if (f := form_of(m, mix)) is not None}
    limits = tuple(
        replace(x, a=x.a[used], c=x.c[used], form=forms.get(x.name) if x.form is not None else None)
        for x in problem.limits
    )
    return replace(
        problem,
        mix=mix,
        forms=forms,
        limits=limits,
        usual_most=problem.usual_most[used],
        price=problem.price[used],
        stock_pct=problem.stock_pct[used],
    )


def _fixed(problem: Problem, floor: float) -> Model:
    model = with_floor(problem, floor, {}, tight=False)  # so that a limit has its price, and no bound implied by it
    for at in range(model.z.start, model.z.stop):
        model.program.low[at] = model.program.high[at]
    return model


def _solved(model: Model, objective: Objective | None) -> Duals:
    if objective is None:
        return prices(model.program, model.program.cost([(add_margin(model), -1.0)]))
    return prices(model.program, model.program.cost(objective.terms(model)))


def _bindings(model: Model, limits: tuple[Limit, ...], duals: Duals, objective: Objective | None) -> Iterator[Binding]:
    """Rows stand in the order of `limits`, after the sum and the two links of every bin."""
    first = 1 + 2 * model.problem.count
    sign = objective.sign if objective else -1.0
    unit = objective.unit if objective else "band widths"
    if duals.answer.values.size == 0:
        return
    if objective is None:
        yield from _nearest_edges(model, duals, first + len(limits))
        return
    shares = model.shares(duals.answer)
    for row, limit in enumerate(limits):
        price = float(duals.prices[first + row])
        if abs(price) <= _SMALL:
            continue
        scale = max(float(np.max(np.abs(limit.a), initial=0.0)), float(np.max(np.abs(limit.c), initial=0.0)), 1e-9)
        held = float(limit.form.b @ shares + limit.form.b0) if limit.form is not None else 1.0
        yield Binding(limit.name, limit.side, limit.say, -sign * price * limit.sign * held / scale, unit)


def _nearest_edges(model: Model, duals: Duals, first: int) -> Iterator[Binding]:
    """The edges that keep the least margin from being wider; an edge moved by one unit changes it by `marginal`."""
    for row, (band, edge, sign) in enumerate(edges_of(model.problem), len(duals.prices) - edge_count(model.problem)):
        price = float(duals.prices[row])
        if row < first or abs(price) <= _SMALL:
            continue
        metric = METRICS[band.metric]
        side = "good_low" if sign > 0 else "good_high"
        say = f"{metric.label.lower()} is nearest to its edge at {edge:g} {metric.unit}"
        width = band.good_high - band.good_low
        yield Binding(band.metric, side, say, -sign * abs(price) / width, "band widths")


def _distance(limit: Limit, shares: Array) -> float:
    if limit.form is not None:
        return abs(limit.form.value(shares) - limit.bound)
    return float(limit.a @ shares) + float(limit.c @ (shares > 0)) + limit.a0


_MORE_OF = ("fibre_pct", "protein_pct", "whole_grain_share_pct", "starch_share_pct")


def _more(problem: Problem, objective: Objective | None, floor: float, shares: Array) -> Iterator[More]:
    """The price of a little more of each of the usual metrics, where prices are known."""
    priced = objective_of(Aim.CHEAPEST, problem) if not np.any(np.isnan(problem.price)) else objective
    if priced is None:
        return
    for metric in _MORE_OF:
        form = problem.forms.get(metric)
        if form is None or np.ptp(form.a) < 1e-9:
            continue
        here = form.value(shares)
        found = _price_of(problem, priced, floor, metric, here)
        if found is not None:
            yield More(metric, here, found[0], found[1], f"{priced.unit} for 1 {METRICS[metric].unit}")


def _price_of(
    problem: Problem, objective: Objective, floor: float, metric: str, here: float
) -> tuple[float, float] | None:
    """The slope of the best value in the metric from `here` on, and how far it stays the same, by solving again."""
    most = _reach(problem, floor, metric)
    start = _best(problem, objective, floor, metric, here)
    if most is None or start is None or most - here < 1e-3:
        return None
    near = here + min(0.05 * max(1.0, abs(here)), 0.25 * (most - here))
    one = _best(problem, objective, floor, metric, near)
    if one is None:
        return None
    slope = (one - start) / (near - here)
    low, high = near, most
    for _ in range(_SEARCH_STEPS):
        middle = (low + high) / 2
        value = _best(problem, objective, floor, metric, middle)
        straight = value is not None and abs(value - start - slope * (middle - here)) <= _SAME_SLOPE * max(
            1e-3, abs(slope * (middle - here))
        )
        low, high = (middle, high) if straight else (low, middle)
    return slope, low


def _reach(problem: Problem, floor: float, metric: str) -> float | None:
    model, form = _fixed(problem, floor), problem.forms[metric]
    answer = prices(model.program, -model.program.cost(model.over_shares(form.a))).answer
    return form.a0 - answer.objective if answer.is_usable else None


def _best(problem: Problem, objective: Objective, floor: float, metric: str, at_least: float) -> float | None:
    model, form = _fixed(problem, floor), problem.forms[metric]
    model.program.row(model.over_shares(form.a), low=at_least - form.a0 - 1e-9)
    answer = prices(model.program, model.program.cost(objective.terms(model))).answer
    return objective.sign * (answer.objective + objective.a0) if answer.is_usable else None
