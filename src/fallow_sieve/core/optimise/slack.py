"""How much fit an aim may give up, and what log fit is then left."""

from __future__ import annotations

import math

from fallow_sieve.core.optimise.fit_model import FIT_TOLERANCE, Fitted
from fallow_sieve.core.optimise.problem import Problem
from fallow_sieve.core.optimise.wishes import FIT_SLACK


def slack_in_force(problem: Problem, first: Fitted) -> float:
    """Return the points of fit that an aim may give up: as asked; else none where all can pass, or 1 where not."""
    asked = problem.wishes.fit_slack
    if asked is not None:
        return asked
    return 0.0 if first.log_fit > -FIT_TOLERANCE else FIT_SLACK


def floor_below(best: float, slack: float) -> float:
    """Return the log fit (points) that lies `slack` points of fit under a log fit of `best`."""
    score = 100 * math.exp(min(0.0, best) / 100)
    return best + 100 * math.log(max(1e-9, score - slack) / score)
