"""Proposals: for each aim the best blend, lexicographically: first the fit, then the aim within a slack of fit.

Every proposal is re-evaluated by the same code that judges a blend on the bench; a mismatch is an error.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import partial

import numpy as np

from fallow_sieve.core.blends import Analysis, Blend, Fit, Part, analyse, fit_to
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.numerics.programs import UNLIMITED, Answer, Array, Effort
from fallow_sieve.core.optimise.aims import (
    Objective,
    add_margin,
    asked_by,
    barred,
    margin,
    mildness,
    objective_of,
    strangeness,
    tightest,
    without_data,
)
from fallow_sieve.core.optimise.fit_model import (
    FIT_TOLERANCE,
    RIGHT_TO,
    Cuts,
    Fitted,
    add_fit,
    best_fit,
    limits_of_floor,
    log_fit,
    refined,
)
from fallow_sieve.core.optimise.model import Model, add_difference, differs, solve_kept, state
from fallow_sieve.core.optimise.problem import Limit, Problem
from fallow_sieve.core.optimise.slack import floor_below, slack_in_force
from fallow_sieve.core.optimise.thousands import better_by
from fallow_sieve.core.optimise.wishes import AIM_LABELS, FIT_SLACK, Aim
from fallow_sieve.core.values import FallowSieveError

MATCHES_TO = 1e-6
TIME_LIMIT_S = 5.0
_SAME_MARGIN = 1e-7
_TIE = 1e-6  # so little that a tie is broken and nothing else
_MARGIN_IN_BINS = 0.1  # no margin is worth a bin
_ROUNDS = 8
_NOTHING_PROVEN = 1.0


class MismatchError(FallowSieveError):
    """What the solver says of a blend is not what its judgement says: never shown, always an error."""


@dataclass(frozen=True, slots=True)
class Proposal:
    """A blend found for an aim: shares (% of flour base), its fit 0–100, the aim's value, margin, and gap.

    `objective` is None for the least margin, which is in band widths; `tightest` names the metric nearest an edge.
    `gap` is 0 where proven best, else the relative gap at which the search stopped. Where not all flours were looked
    at, `better_by` is by how much of the value any blend of all of them could be better at most (None: not bounded).
    """

    aim: Aim
    slugs: tuple[str, ...]
    shares: Array
    fit: Fit
    analysis: Analysis
    score: float
    margin: float
    tightest: str
    value: float
    unit: str
    gap: float
    over_usual: tuple[str, ...] = ()
    better_by: float | None = None

    @property
    def parts(self) -> tuple[tuple[str, float], ...]:
        """The parts as (slug, % of flour base), the largest first."""
        used = [(s, float(x)) for s, x in zip(self.slugs, self.shares, strict=True) if x > 0]
        return tuple(sorted(used, key=lambda p: (-p[1], p[0])))


@dataclass(frozen=True, slots=True)
class Skipped:
    """An aim for which there is no proposal, and why."""

    aim: Aim
    why: str


def propose(problem: Problem, shelf: Shelf, effort: Effort = UNLIMITED) -> Iterator[Proposal | Skipped]:
    """Return one by one, as each is found, a proposal for every aim, or why there is none.

    Later ones differ from earlier ones by 15 % of mass or by two bins. Nothing at all comes where the limits clash
    (see `conflicts`). Raises MismatchError where a re-evaluation disagrees.
    """
    first = best_fit(problem, effort)
    if not first.kept:
        return
    alone = effort.map(partial(_alone, problem, first, effort), problem.wishes.aims)
    earlier: list[Array] = []
    for aim, mine in zip(problem.wishes.aims, alone, strict=True):
        found = mine
        if found and not all(differs(found[0], e) for e in earlier):
            found = None if effort.is_spent else _sought(problem, aim, first, earlier, effort)
        if found is None:
            yield Skipped(aim, without_data(aim, problem) or _why_not(earlier, effort))
            continue
        earlier.append(found[0])
        yield _bounded(problem, first, proposal_of(problem, shelf, aim, *found))


def _bounded(problem: Problem, first: Fitted, made: Proposal) -> Proposal:
    """A proposal with what all flours could add; where a blend passes none can fit better, and the aim alone counts."""
    if problem.whole is None or first.log_fit <= -FIT_TOLERANCE:
        return made
    return replace(made, better_by=better_by(problem.whole, made.aim, made.value))


def _alone(problem: Problem, first: Fitted, effort: Effort, aim: Aim) -> tuple[Array, float] | None:
    """What an aim finds by itself: where that differs from the others already, it is the answer among them too."""
    return None if effort.stopped() or without_data(aim, problem) else _sought(problem, aim, first, (), effort)


def _why_not(earlier: Sequence[Array], effort: Effort) -> str:
    if effort.is_spent:
        return "the time was up"
    return "no blend differs enough from those above" if earlier else "no blend is possible for it"


def proposal_of(problem: Problem, shelf: Shelf, aim: Aim, shares: Array, gap: float) -> Proposal:
    """Return the proposal of `shares` (% of flour base), re-evaluated. Raises MismatchError."""
    fit, analysis = judged(problem, shelf, shares)
    objective = objective_of(aim, problem)
    least = margin(problem, shares)
    value, unit = (objective.value(shares), objective.unit) if objective else (least, "band widths")
    over = tuple(s for s, x, most in zip(problem.slugs, shares, problem.usual_most, strict=True) if x > most + 1e-9)
    return Proposal(
        aim,
        problem.slugs,
        shares,
        fit,
        analysis,
        fit.score if fit.score is not None else 0.0,
        least,
        tightest(problem, shares),
        value,
        unit,
        gap,
        over,
    )


def blend_of(problem: Problem, shares: Array, flour_g: float = 100.0) -> Blend:
    """Return the blend of `shares` (% of flour base) with the binder that lies in the mix, for `flour_g` g of flour."""
    flours = [Part(s, x * flour_g / 100) for s, x in zip(problem.slugs, map(float, shares), strict=True) if x > 0]
    binders = [Part(b.slug, dose * flour_g / 100) for b, dose in problem.mix.binders]
    return Blend((*flours, *binders), use=problem.wishes.use.slug)


def judged(problem: Problem, shelf: Shelf, shares: Array) -> tuple[Fit, Analysis]:
    """Return the fit and analysis of `shares` (% of flour base) by the bench's own code. Raises MismatchError."""
    analysis = analyse(blend_of(problem, shares), shelf, problem.mix.cup)
    for metric, form in problem.forms.items():
        told, seen = form.value(shares), analysis.metrics[metric].typical
        if seen is None or abs(told - seen) > MATCHES_TO * max(1.0, abs(told)):
            raise MismatchError(f"{metric} is {told!r} by the model and {seen!r} by the judgement")
    fit = fit_to(problem.wishes.bands_use, analysis)
    for band in fit.bands:
        if band.band.metric in problem.forms and band.status == "held" and not problem.wishes.least_bad:
            raise MismatchError(f"{band.band.metric} is held at {band.estimate.typical!r}, which the model allowed")
    return fit, analysis


def _sought(
    problem: Problem, aim: Aim, first: Fitted, earlier: Sequence[Array], effort: Effort
) -> tuple[Array, float] | None:
    """The best shares for `aim`, and the gap: the best fit within reach first, then the aim."""
    mine = with_bars(problem, aim)
    objective = objective_of(aim, mine)
    slack = 0.0 if objective is None else slack_in_force(problem, first)
    start = first if mine is problem else best_fit(mine, effort, tuple(earlier))
    if not start.kept:
        return None
    found = _within(mine, objective, start, slack, earlier, effort)
    if found is None and earlier and not effort.is_spent:
        start = best_fit(mine, effort, tuple(earlier))
        found = _within(mine, objective, start, slack, earlier, effort) if start.kept else None
    if found is None and start.kept and all(differs(start.shares, e) for e in earlier):
        return start.shares, _NOTHING_PROVEN
    return found


def with_bars(problem: Problem, aim: Aim) -> Problem:
    """Return the problem with what the aim itself bars (a flour without a price, or with too little in stock)."""
    most, own = barred(aim, problem), asked_by(aim, problem)
    if np.all(most >= 100) and not own:
        return problem
    zero = np.zeros(problem.count)
    bars = []
    for n in np.flatnonzero(most < 100):
        one = zero.copy()
        one[n] = -1.0
        bars.append(Limit(f"{aim}/{problem.slugs[n]}", "", one, zero, float(most[n]), AIM_LABELS[aim]))
    return replace(problem, limits=(*problem.limits, *own, *bars))


def slack_of(problem: Problem, proposals: Sequence[Proposal]) -> float:
    """Return the points of fit that the aims of these proposals might give up at most."""
    asked = problem.wishes.fit_slack
    best = max((p.score for p in proposals), default=0.0)
    return asked if asked is not None else (0.0 if best >= 100 - 1e-6 else FIT_SLACK)


def _within(
    problem: Problem,
    objective: Objective | None,
    start: Fitted,
    slack: float,
    earlier: Sequence[Array],
    effort: Effort,
) -> tuple[Array, float] | None:
    problem = replace(problem, mean_counts=0.0)  # the aim comes before the mean of several uses
    floor = floor_below(log_fit(problem, start.shares), slack)
    cuts: Cuts = start.cuts
    best: tuple[Array, float] | None = None
    for _ in range(_ROUNDS):
        model = with_floor(problem, floor, cuts, earlier)
        if effort.is_spent:
            return best
        known = best[0] if best else (start.shares if earlier else None)
        answer, shares = (
            _least_margin(model, effort, known) if objective is None else _linear(model, objective, effort, known)
        )
        if not answer.is_usable:
            return best
        best = shares, answer.gap
        if log_fit(problem, shares) >= floor - RIGHT_TO:
            return best
        cuts = refined(problem, shares, cuts)
    return best


def with_floor(
    problem: Problem, floor: float, cuts: Cuts, earlier: Sequence[Array] = (), *, tight: bool = True
) -> Model:
    """Return the problem stated with a log fit of at least `floor` points, different from `earlier` (% of flour)."""
    perfect = floor > -FIT_TOLERANCE
    model = state(problem, extra=limits_of_floor(problem, floor), tight=tight)
    for other in earlier:
        add_difference(model, other)
    if not perfect:
        model.program.row(add_fit(model, cuts, floor - FIT_TOLERANCE), low=floor - FIT_TOLERANCE)
    return model


def _linear(model: Model, objective: Objective, effort: Effort, known: Array | None) -> tuple[Answer, Array]:
    """Minimise a linear aim; of the blends with the fewest bins, the one with the widest margin."""
    terms = objective.terms(model)
    if objective.aim is Aim.FEWEST_BINS:
        model = model.copy()
        terms = [*terms, (add_margin(model), -_MARGIN_IN_BINS)]
    return solve_kept(model, model.program.cost(terms), effort, known=known)


def _least_margin(model: Model, effort: Effort, known: Array | None) -> tuple[Answer, Array]:
    """Maximise the least margin; of equal ones take the mildest, with few bins."""
    ratios = any(f.is_ratio for f in model.problem.forms.values())
    at = 0.0
    best: tuple[Answer, Array] | None = None
    for _ in range(_ROUNDS if ratios else 1):
        tried = model.copy()
        ties = [(v, _TIE * np.asarray(c)) for v, c in mildness(tried)]
        terms = [(add_margin(tried, at), -1.0), *strangeness(tried), *ties]
        answer, shares = solve_kept(tried, tried.program.cost(terms), effort, known=best[1] if best else known)
        if not answer.is_usable:
            break
        now = margin(model.problem, shares)
        if best and now <= at + _SAME_MARGIN:
            break
        best, at = (answer, shares), now
    return best or (answer, shares)
