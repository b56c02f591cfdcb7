"""The blend of one's own bins that is most like another: least Σ |difference| over metrics, in widths of their bands.

What the other is need not lie in one's bins; the limits of the use hold where they can, and fall where they cannot.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np

from fallow_sieve.core.blends import METRICS
from fallow_sieve.core.numerics.programs import UNLIMITED, Array, Effort
from fallow_sieve.core.optimise.aims import strangeness
from fallow_sieve.core.optimise.model import Model, solve_kept, state
from fallow_sieve.core.optimise.problem import Problem

_BIN_COSTS = 0.05  # of a band width: a bin that brings less is not worth opening; rule of thumb
_LEAST_WIDTH = 0.05  # of what the other has, where a band is a line


@dataclass(frozen=True, slots=True)
class Likeness:
    """One metric of both blends, in its unit, and how far apart they are in widths of its good band."""

    metric: str
    label: str
    unit: str
    wanted: float
    found: float
    widths: float


@dataclass(frozen=True, slots=True)
class Alike:
    """The blend most alike (% of flour base), metric by metric, and whether the limits of the use hold."""

    shares: Array
    likeness: tuple[Likeness, ...]
    within_limits: bool


def most_alike(problem: Problem, wanted: Mapping[str, float], effort: Effort = UNLIMITED) -> Alike | None:
    """Return the blend of `problem`'s candidates most like one whose metrics are `wanted`, or None where none is found.

    Ratios (amylose, density) are compared, and not sought.
    """
    for posed, within in ((problem, True), (replace(problem, limits=()), False)):
        found = _nearest(posed, wanted, effort)
        if found is not None:
            return Alike(found, _likeness(problem, wanted, found), within)
    return None


def _widths(problem: Problem, wanted: Mapping[str, float]) -> dict[str, float]:
    found = {}
    for band in problem.bands:
        if band.metric in wanted:
            least = _LEAST_WIDTH * max(1.0, abs(wanted[band.metric]))
            found[band.metric] = max(band.good_high - band.good_low, least)
    return found


def _nearest(problem: Problem, wanted: Mapping[str, float], effort: Effort) -> Array | None:
    model = state(problem)
    sought = {
        m: w
        for m, w in _widths(problem, wanted).items()
        if not problem.forms[m].is_ratio and np.all(problem.forms[m].known)
    }
    if not sought:
        return None
    apart = _apart(model, wanted, sought)
    strange = [(at, _BIN_COSTS * np.asarray(c)) for at, c in strangeness(model)]
    cost = model.program.cost([(apart, 1.0), (model.z, _BIN_COSTS), *strange])
    answer, shares = solve_kept(model, cost, effort)
    return shares if answer.is_usable else None


def _apart(model: Model, wanted: Mapping[str, float], widths: Mapping[str, float]) -> slice:
    """Variables that are at least the distance in each metric, on either side."""
    apart = model.program.variables(np.zeros(len(widths)), np.full(len(widths), np.inf))
    for n, (metric, width) in enumerate(widths.items()):
        form = model.problem.forms[metric]
        at, off = slice(apart.start + n, apart.start + n + 1), (wanted[metric] * form.b0 - form.a0) / width
        terms = model.over_shares(form.a / width)
        model.program.row([*terms, (at, -form.b0)], high=off)
        model.program.row([*terms, (at, form.b0)], low=off)
    return apart


def _likeness(problem: Problem, wanted: Mapping[str, float], shares: Array) -> tuple[Likeness, ...]:
    found = []
    for metric, width in _widths(problem, wanted).items():
        form = problem.forms[metric]
        if np.all(form.known[shares > 0]):
            value, m = form.value(shares), METRICS[metric]
            found.append(Likeness(metric, m.label, m.unit, wanted[metric], value, abs(value - wanted[metric]) / width))
    return tuple(found)
