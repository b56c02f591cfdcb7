"""How much better any blend of all flours could be than one found among some: a bound from the relaxed problem.

Relaxed, a blend needs no steps, no least shares and no fewest bins: no blend of whole steps can beat it. So what it
gives for an aim, with every sieve passed and every limit kept, is a proof for all flours, also those not looked at.
"""

from __future__ import annotations

import numpy as np

from fallow_sieve.core.numerics.programs import Array, Program
from fallow_sieve.core.numerics.solver import prices
from fallow_sieve.core.optimise.aims import Objective, asked_by, barred, objective_of
from fallow_sieve.core.optimise.fit_model import implied_by
from fallow_sieve.core.optimise.named_limits import limits_of_problem
from fallow_sieve.core.optimise.problem import Limit, Problem
from fallow_sieve.core.optimise.wishes import Aim

_FAR = 1e-6


def better_by(whole: Problem, aim: Aim, value: float) -> float | None:
    """Return by how much of `value` (0.02: 2 %) a blend of all flours that passes every sieve could be better at most.

    `whole` is the problem over all flours, `value` what the aim seeks as `Objective.value` gives it. None where the aim
    has no linear objective to bound, or nothing passes.
    """
    objective = objective_of(aim, whole)
    if objective is None:
        return None
    high = np.minimum(_most(whole), barred(aim, whole))
    stated = (x for x in limits_of_problem(whole) if not np.any(x.c) and not x.name.startswith("stock/"))  # in `high`
    limits = [*stated, *implied_by(whole, 0.0), *asked_by(aim, whole)]
    best = _fewest(limits, high) if aim is Aim.FEWEST_BINS else _least(objective, limits, high)
    if best is None:
        return None
    found = objective.sign * value
    return max(0.0, found - best) / max(abs(found), _FAR)


def _most(whole: Problem) -> Array:
    stock = whole.stock_pct if whole.wishes.in_stock else np.full(whole.count, 100.0)
    return np.minimum(np.minimum(whole.usual_most, stock), 100.0)


def _least(objective: Objective, limits: list[Limit], high: Array) -> float | None:
    program = Program()
    x = program.variables(np.zeros(len(high)), high)
    program.row([(x, np.ones(len(high)))], 100.0, 100.0)
    for limit in limits:
        scale = max(float(np.max(np.abs(limit.a), initial=0.0)), _FAR)
        program.row([(x, limit.a / scale)], low=-limit.a0 / scale)
    found = prices(program, program.cost([(x, objective.a)])).answer
    return found.objective + objective.a0 if found.is_usable else None


def _fewest(limits: list[Limit], high: Array) -> float:
    """1 where some flour passes alone, else 2: the relaxed problem says nothing of whole bins."""
    alone = high >= 100
    for limit in limits:
        alone &= 100 * limit.a + limit.a0 >= -_FAR
    return 1.0 if np.any(alone) else 2.0
