"""The fit of a problem as a concave program: y ≤ log d by tangents, d ≤ each side of a band.

Inside the walls every desirability d is concave and piecewise linear in the shares, so Σ w log d / Σ w is
concave. Its tangents overestimate; they are added at each answer until it is right to 0.05 points. The desirability
of a ratio (amylose, density) is stated by levels instead: y follows the highest level that is reached.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, field

import numpy as np

from fallow_sieve.core.blends import METRICS, UseBand
from fallow_sieve.core.numerics.programs import UNLIMITED, Answer, Array, Effort, Terms
from fallow_sieve.core.optimise.linear_metrics import Form
from fallow_sieve.core.optimise.model import Model, add_difference, solve_kept, state
from fallow_sieve.core.optimise.problem import FitTo, Limit, Problem
from fallow_sieve.core.values import AT_WALL

PENALTY = 0.1  # points (log fit × 100) for 1 % of flour over a usual most; rule of thumb
RIGHT_TO = 0.05
SHORT_COSTS = 100.0  # points for a point that a floor lacks: it is not to be traded
_TANGENTS = tuple(float(x) for x in np.geomspace(0.03, 1.0, 12))
_LOWEST = 1e-6
FIT_TOLERANCE = 1e-4  # points of fit by which a floor gives way to the solver's arithmetic
_ROUNDS = 12
Cuts = Mapping[str, tuple[float, ...]]


@dataclass(frozen=True, slots=True)
class Fitted:
    """Shares (% of flour base), their fit less the penalty (log points, 0 at best), gap left, and the tangents used."""

    shares: Array
    log_fit: float
    cuts: Cuts
    answer: Answer
    kept: bool = True


@dataclass(frozen=True, slots=True)
class _Side:
    """One side of a band: desirability (value − wall) / (edge − wall), for the wall below or above."""

    form: Form
    wall: float
    edge: float
    cuts: tuple[float, ...] = field(default=())

    def at_least(self, level: float) -> tuple[Array, float]:
        """a·x + a₀ ≥ 0 where the desirability of this side is at least `level`."""
        value = self.wall + level * (self.edge - self.wall)
        sign = 1.0 if self.edge > self.wall else -1.0
        f = self.form
        return sign * (f.a - value * f.b), sign * (f.a0 - value * f.b0)


def log_fit(problem: Problem, shares: Array) -> float:
    """Return 100 × Σ w log d / Σ w of the worst use less the penalty for what is over a usual most.

    The mean of several, by their weights, counts a little beside the worst; what a fit lacks to its floor is
    not to be made up for. Shares in % of flour base.
    """
    points = [(f, use_log_fit(problem, f, shares)) for f in problem.fits]
    sought = [(f.weight, of) for f, of in points if f.floor is None]
    worst = min((of for _, of in sought), default=0.0)
    if len(sought) > 1:
        worst += problem.mean_counts * sum(w * of for w, of in sought) / sum(w for w, _ in sought)
    short = sum(max(0.0, f.floor - of) for f, of in points if f.floor is not None)
    over = np.maximum(0.0, shares - problem.usual_most).sum()
    return worst - SHORT_COSTS * short - PENALTY * float(over)


def use_log_fit(problem: Problem, fit: FitTo, shares: Array) -> float:
    """Return 100 × Σ w log d / Σ w of one use, without any penalty; shares in % of flour base."""
    points = 0.0
    for band in fit.bands:
        d = band.desirability(problem.forms[band.metric].value(shares))
        if band.weight > 0:
            points += band.weight * math.log(max(d, 1e-300))
    return 100 * points / fit.total if fit.total > 0 else 0.0


def add_fit(model: Model, cuts: Cuts, floor: float = -math.inf) -> Terms:
    """Return the terms of the penalised log fit, in points, once y and the excess over the usual most are stated.

    With a `floor` (points), only tangents of what it leaves of each desirability are stated.
    """
    p, program = model.problem, model.program
    terms = list(_worst_of(model, cuts, floor))
    capped = np.flatnonzero(np.isfinite(p.usual_most) & (p.usual_most < model.most))
    if len(capped):
        over = program.variables(np.zeros(len(capped)), np.full(len(capped), 100.0))
        for n, i in enumerate(capped):
            xi = slice(model.x.start + int(i), model.x.start + int(i) + 1)
            at = slice(over.start + n, over.start + n + 1)
            program.row([(xi, float(model.unit[i])), (at, -1.0)], high=float(p.usual_most[i]))
        terms.append((over, -PENALTY))
    return terms


def _worst_of(model: Model, cuts: Cuts, floor: float) -> Terms:
    """The terms of the log fit of the only use; of several that of the worst, and a little of their mean by weight."""
    sought = [f for f in model.problem.fits if f.floor is None]
    for fit in model.problem.fits:
        if fit.floor is not None:
            model.program.row(_use_terms(model, fit, cuts, fit.floor), low=fit.floor)
    if len(sought) == 1:
        return _use_terms(model, sought[0], cuts, floor)
    worst = model.program.variables([floor], [0.0])
    all_weights, counts, mean = sum(f.weight for f in sought), model.problem.mean_counts, []
    for fit in sought:
        terms = _use_terms(model, fit, cuts, floor)
        model.program.row([*terms, (worst, -1.0)], low=0.0)
        mean += [(at, counts * fit.weight / all_weights * c) for at, c in terms] if counts else []
    return [(worst, 1.0), *mean]


def _use_terms(model: Model, fit: FitTo, cuts: Cuts, floor: float) -> Terms:
    """The terms of the log fit of one use, in points, with y ≤ log d stated of each band."""
    terms: list[tuple[slice, Array | float]] = []
    reach = _reach(model.problem, floor)
    for band in fit.bands:
        low, high = reach.get(band.metric, (-math.inf, math.inf))
        if band.weight > 0 and not (band.good_low <= low and high <= band.good_high):
            lowest = floor * fit.total / (100 * band.weight)
            y = model.program.variables([lowest], [0.0])
            points = tuple(p for p in cuts.get(band.metric, _TANGENTS) if p >= math.exp(max(-700.0, lowest)) * 0.999)
            _state_band(model, band, y, points)
            terms.append((y, 100 * band.weight / fit.total))
    return terms


def _reach(problem: Problem, floor: float) -> dict[str, tuple[float, float]]:
    """How far each metric can go where every fit sought is at least `floor`: where a band is good all over, d is 1."""
    if not math.isfinite(floor):
        return {}
    found = {m: (METRICS[m].lowest, METRICS[m].highest) for m in problem.forms}
    for limit in implied_by(problem, floor):
        low, high = found[limit.name]
        found[limit.name] = (max(low, limit.bound), high) if limit.sign < 0 else (low, min(high, limit.bound))
    return found


def _state_band(model: Model, band: UseBand, y: slice, points: tuple[float, ...]) -> None:
    form = model.problem.forms[band.metric]
    sides = [_Side(form, w, e) for w, e in _edges(band)]
    if not sides:
        return
    if form.is_ratio:
        _by_levels(model, sides, y, points)
        return
    d = model.program.variables([0.0], [1.0])
    for side in sides:
        slope = side.edge - side.wall
        model.program.row([*model.over_shares(form.a / slope), (d, -1.0)], low=(side.wall - form.a0) / slope)
    for at in points:
        model.program.row([(y, 1.0), (d, -1.0 / at)], high=math.log(at) - 1.0)


def _edges(band: UseBand) -> list[tuple[float, float]]:
    """(value, edge) of each side with a slope: d falls from 1 at the edge in a line that would be 0 at the value."""
    found = [(band.hard_low, band.good_low), (band.hard_high, band.good_high)]
    return [
        (edge + (wall - edge) / (1 - AT_WALL), edge) for wall, edge in found if wall != edge and math.isfinite(wall)
    ]


def _by_levels(model: Model, sides: list[_Side], y: slice, points: tuple[float, ...]) -> None:
    """A binary for each level says that it is reached on both sides; y rises from level to level with them."""
    levels = sorted({p for p in points if p <= 1.0} | {1.0})
    reached = model.program.variables(np.zeros(len(levels)), np.ones(len(levels)), True)
    for n, level in enumerate(levels):
        at = slice(reached.start + n, reached.start + n + 1)
        for side in sides:
            a, a0 = side.at_least(level)
            slack = max(0.0, -(float(np.min(a)) * 100 + a0))
            model.program.row([*model.over_shares(a), (at, -slack)], low=-a0 - slack)
    steps = np.diff(np.log(levels), append=0.0)
    model.program.row([(y, 1.0), (reached, -steps)], high=math.log(levels[0]))


def usual_limits(problem: Problem) -> tuple[Limit, ...]:
    """Return the usual most of each flour as a limit, for a fit that pays no penalty."""
    found = []
    for n in np.flatnonzero(np.isfinite(problem.usual_most)):
        one = np.zeros(problem.count)
        one[n] = -1.0
        most = float(problem.usual_most[n])
        say = f"usual most of {problem.mix.flours[n].name.lower()}, {most:g} %"
        found.append(Limit(f"usual_most/{problem.slugs[n]}", "", one, 0 * one, most, say, "% of flour", 1, most))
    return tuple(found)


def implied_by(problem: Problem, floor: float) -> tuple[Limit, ...]:
    """Return the limits that a penalised log fit of `floor` points sets on each metric, all others at their best."""
    found = []
    for fit in problem.fits:
        least = floor if fit.floor is None else fit.floor
        for band in (b for b in fit.bands if b.weight > 0):
            level = min(1.0, math.exp(max(-700.0, least * fit.total / (100 * band.weight))))
            found += [_as_limit(problem, band, wall, edge, level) for wall, edge in _edges(band)]
    return tuple(found)


def _as_limit(problem: Problem, band: UseBand, wall: float, edge: float, level: float) -> Limit:
    form = problem.forms[band.metric]
    a, a0 = _Side(form, wall, edge).at_least(level)
    side, sign = ("good_low", -1) if edge > wall else ("good_high", 1)
    bound = wall + level * (edge - wall)
    word = "at least" if sign < 0 else "at most"
    metric = METRICS[band.metric]
    say = f"{metric.label.lower()} {word} {bound:.3g} {metric.unit}, to pass"
    return Limit(band.metric, side, a, np.zeros(problem.count), a0, say, metric.unit, sign, bound, form)


def passing_limits(problem: Problem) -> tuple[Limit, ...]:
    """Return the good bands themselves as limits."""
    found = []
    for band in problem.bands:
        metric = METRICS[band.metric]
        if band.good_low > metric.lowest:
            found.append(_as_limit(problem, band, band.good_low - 1.0, band.good_low, 1.0))
        if band.good_high < metric.highest:
            found.append(_as_limit(problem, band, band.good_high + 1.0, band.good_high, 1.0))
    return tuple(found)


def limits_of_floor(problem: Problem, floor: float) -> tuple[Limit, ...]:
    """Return what a log fit of `floor` points demands of each metric, and where it is the best, of each usual most."""
    perfect = floor > -FIT_TOLERANCE
    return (*implied_by(problem, floor), *(usual_limits(problem) if perfect else ()))


def refined(problem: Problem, shares: Array, cuts: Cuts) -> Cuts:
    """Return `cuts` with tangents where each desirability of `shares` lies; for a ratio, levels around it."""
    new = dict(cuts)
    for band in problem.bands:
        form = problem.forms[band.metric]
        d = max(_LOWEST, band.desirability(form.value(shares)))
        if d < 1.0:
            here = (d, min(1.0, d * 1.002)) if form.is_ratio else (d,)
            new[band.metric] = tuple(sorted({*new.get(band.metric, _TANGENTS), *here}))
    return new


def _perfect(problem: Problem, effort: Effort, earlier: tuple[Array, ...]) -> Fitted | None:
    """A blend that passes every sieve, if there is one: most briefs have many, and no fit is better than that."""
    extra = limits_of_floor(problem, 0.0)
    model = state(problem, extra=extra)
    for other in earlier:
        add_difference(model, other)
    answer, shares = solve_kept(model, np.zeros(len(model.program.low)), effort, extra, confirm=False)
    if not answer.is_usable or log_fit(problem, shares) < -FIT_TOLERANCE:
        return None
    return Fitted(shares, log_fit(problem, shares), {}, answer)


def best_fit(
    problem: Problem,
    effort: Effort = UNLIMITED,
    earlier: tuple[Array, ...] = (),
    *,
    tight: bool = True,
    presolve: bool = True,
) -> Fitted:
    """Return the shares with the best penalised fit that differ from `earlier` (% of flour base).

    `kept` is False where nothing was found.
    """
    perfect = _perfect(problem, effort, earlier) if tight else None
    if perfect is not None:
        return perfect
    base = state(problem, tight=tight)
    for other in earlier:
        add_difference(base, other)
    cuts: Cuts = {}
    best: Fitted | None = None
    for _ in range(_ROUNDS):
        model = base.copy()
        terms = add_fit(model, cuts)
        known = best.shares if best else None
        answer, shares = solve_kept(model, -model.program.cost(terms), effort, presolve=presolve, known=known)
        if not answer.is_usable:
            return best or Fitted(shares, -math.inf, cuts, answer, False)
        points = log_fit(problem, shares)
        if best is None or points > best.log_fit:
            best = Fitted(shares, points, cuts, answer)
        cuts = refined(problem, shares, cuts)
        if -answer.objective - points <= RIGHT_TO or effort.is_spent:
            break
    assert best is not None
    return Fitted(best.shares, best.log_fit, cuts, answer)
