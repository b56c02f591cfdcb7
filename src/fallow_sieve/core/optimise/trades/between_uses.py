"""What one use of a mix costs the others: the front between its fit and that of the worst of the rest.

The fit of the one use is held at levels between its best and what it has where the others are at theirs; at each the
worst of the others is brought as high as it goes (epsilon constraints, as between two aims).
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import replace

import numpy as np

from fallow_sieve.core.numerics.programs import UNLIMITED, Array, Effort
from fallow_sieve.core.optimise.fit_model import FIT_TOLERANCE, Fitted, best_fit, use_log_fit
from fallow_sieve.core.optimise.problem import FitTo, Problem
from fallow_sieve.core.optimise.trades.between_aims import Point
from fallow_sieve.core.values import BadInputError

POINTS = 7
_LEAST_TRADE = 0.5  # points of fit below which there is nothing to trade; rule of thumb


def front_between(problem: Problem, use: str, effort: Effort = UNLIMITED, points: int = POINTS) -> Iterator[Point]:
    """Return one by one blends between the best for `use` (x, its fit) and the best for the others (y, the worst's).

    Both are fits of 0–100; one point where nothing is to be traded. Raises BadInputError for a use
    that is none of several.
    """
    mine = next((f for f in problem.fits if f.use == use), None)
    if mine is None or len(problem.fits) < 2:
        named = ", ".join(f.use for f in problem.fits)
        raise BadInputError(f"{use!r} is none of several uses", place="/use", right=f"name one of {named}")
    rest = tuple(f for f in problem.fits if f is not mine)
    best = best_fit(replace(problem, fits=(mine,)), effort)
    if not best.kept:
        return
    top = use_log_fit(problem, mine, best.shares)
    bottom = use_log_fit(problem, mine, _best_for_the_others(problem, mine, rest, effort).shares)
    seen: list[Array] = []
    for level in _levels(top, bottom, points):
        found = _held_at(problem, mine, rest, level, effort)
        if found.kept and not any(np.allclose(found.shares, s) for s in seen):
            seen.append(found.shares)
            yield _point(problem, mine, rest, found)
        if effort.is_spent:
            return


def _best_for_the_others(problem: Problem, mine: FitTo, rest: tuple[FitTo, ...], effort: Effort) -> Fitted:
    """Of the blends that are best for the worst of the others, the one that is best for the one."""
    found = best_fit(replace(problem, fits=rest), effort)
    least = min(use_log_fit(problem, f, found.shares) for f in rest) - FIT_TOLERANCE
    held = best_fit(replace(problem, fits=(mine, *(replace(f, floor=least) for f in rest))), effort)
    return held if held.kept else found


def _levels(top: float, bottom: float, points: int) -> list[float]:
    """Log fits from the best of the use down to what it has where the others are at theirs, even in fit."""
    high, low = 100 * math.exp(top / 100), 100 * math.exp(bottom / 100)
    if high - low < _LEAST_TRADE:
        return [bottom - FIT_TOLERANCE]
    return [100 * math.log(v / 100) - FIT_TOLERANCE for v in np.linspace(high, low, points)]


def _held_at(problem: Problem, mine: FitTo, rest: tuple[FitTo, ...], level: float, effort: Effort) -> Fitted:
    return best_fit(replace(problem, fits=(*rest, replace(mine, floor=level))), effort)


def _point(problem: Problem, mine: FitTo, rest: tuple[FitTo, ...], found: Fitted) -> Point:
    own = use_log_fit(problem, mine, found.shares)
    worst = min(use_log_fit(problem, f, found.shares) for f in rest)
    return Point(found.shares, 100 * math.exp(own / 100), 100 * math.exp(worst / 100), found.answer.gap)
