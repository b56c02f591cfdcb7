"""The whole search for a brief: proposals one by one, or why there can be none."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.numerics.programs import UNLIMITED, Effort
from fallow_sieve.core.numerics.solver import solve
from fallow_sieve.core.optimise.conflicts import Conflict, conflicts_of, loosened
from fallow_sieve.core.optimise.model import state
from fallow_sieve.core.optimise.problem import Limit, Problem
from fallow_sieve.core.optimise.proposals import Proposal, Skipped, propose


def search(problem: Problem, shelf: Shelf, effort: Effort = UNLIMITED) -> Iterator[Proposal | Skipped | Conflict]:
    """Return one by one what is found: proposals and aims without one; or, where nothing can be, the clashes.

    Where the brief asks for the least bad, hard limits of metrics give as little as they must.
    """
    found = False
    for result in propose(problem, shelf, effort):
        found = True
        yield result
    if found or effort.is_spent:
        return
    loose = least_bad(problem, effort) if problem.wishes.least_bad else None
    if loose is not None:
        yield from propose(loose, shelf, effort)
    else:
        yield from conflicts_of(problem, effort)


def least_bad(problem: Problem, effort: Effort = UNLIMITED) -> Problem | None:
    """Return the problem with the hard limits of metrics let out by as little as can be, or None if that is no help.

    What gives is measured in the size of each limit's row; a metric that is held enters the fit no more.
    """
    hard = tuple(x for x in problem.limits if x.form is None)
    soft = tuple(x for x in problem.limits if x.form is not None)
    model = state(replace(problem, limits=hard), tight=False)
    slacks = [(x, *loosened(model, x)) for x in soft]
    answer = solve(model.program, model.program.cost([(at, 1.0) for _, at, _ in slacks]), effort)
    if not answer.is_usable:
        return None
    let_out: list[Limit] = []
    for limit, at, scale in slacks:
        gave = float(answer.values[at][0]) * scale
        let_out.append(replace(limit, a0=limit.a0 + gave * (1 + 1e-6)) if gave > 1e-7 * scale else limit)
    held = {a.name for a, b in zip(let_out, soft, strict=True) if a is not b}
    fits = tuple(replace(f, bands=tuple(b for b in f.bands if b.metric not in held)) for f in problem.fits)
    forms = {m: f for m, f in problem.forms.items() if m not in held}
    return replace(problem, limits=(*hard, *let_out), fits=fits, forms=forms)
