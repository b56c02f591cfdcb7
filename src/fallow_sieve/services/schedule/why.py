"""Why a step begins when it does: what lets it begin, each as a window, and which of them hold it."""

from __future__ import annotations

import math
from dataclasses import dataclass

from fallow_sieve.core.schedule.plan import Plan
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Link, Problem
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.rules import Kind, StepRule
from fallow_sieve.services.schedule.plans import Planned
from fallow_sieve.services.schedule.running import step_named
from fallow_sieve.services.schedule.stepping import text_of

LOOK_MIN = 48 * 60.0


@dataclass(frozen=True, slots=True)
class Reason:
    """One thing that a step waits for: in words, and from when to when it may begin by that (UTC; None: no end).

    `holds` says that the step begins at the very edge of it.
    """

    say: str
    at: str | None
    end: str | None
    holds: bool


def why_then(planned: Planned, name: str, step: str) -> tuple[Reason, ...]:
    """Return what lets a step of a plan begin when it does. Raises UnknownNameError."""
    product, rule = step_named(planned.request, name, step)
    plan = planned.plan
    if not plan.is_usable:
        return ()
    begin = plan.step(name, step).begin
    found = [_after(planned, product, x, begin) for x in _links_to(plan, product, rule)]
    found.append(_on_time(planned, product, rule, begin))
    if rule.step in product.pins:
        found.append(_reason(planned, "pinned by you", begin, begin, begin))
    return tuple(found)


def _links_to(plan: Plan, product: Product, rule: StepRule) -> list[Link]:
    own = plan.laid.parts[product.name][rule.step][0]
    return [x for x in plan.laid.problem.links if x.after == own]


def _reason(planned: Planned, say: str, low: float, high: float, begin: float) -> Reason:
    edge = min(abs(begin - low), abs(begin - high)) <= CELL_MIN / 2
    at = None if low < 0 else text_of(planned.clock, low)
    return Reason(say, at, text_of(planned.clock, high) if math.isfinite(high) else None, edge)


def _after(planned: Planned, product: Product, link: Link, begin: float) -> Reason:
    """What it follows: its end and lags; after a rise or a build, from when to when that may end."""
    problem, plan = planned.plan.laid.problem, planned.plan
    before = problem.tasks[link.before]
    timed = plan.tasks[link.before]
    rule = next(r for r in product.rules if r.step == before.step)
    if rule.kind in (Kind.FERMENT, Kind.BUILD, Kind.CHILL, Kind.PASSIVE) and not before.lengths.is_fixed:
        low, high = _lengths_at(problem, link.before, timed.begin)
        word = {Kind.FERMENT: "ripe", Kind.BUILD: "at its peak", Kind.CHILL: "chilled"}.get(rule.kind, "rested")
        end = timed.begin + high + link.lag_high
        return _reason(planned, f"{_spoken(before.step)} {word}", timed.begin + low + link.lag_low, end, begin)
    return _reason(planned, f"after {_spoken(before.step)}", timed.end + link.lag_low, timed.end + link.lag_high, begin)


def _lengths_at(problem: Problem, task: int, begin: float) -> tuple[float, float]:
    lengths = problem.tasks[task].lengths
    cell = min(int(begin // CELL_MIN), len(lengths.low) - 1)
    return float(lengths.low[cell]), float(lengths.high[cell])


def _on_time(planned: Planned, product: Product, rule: StepRule, begin: float) -> Reason:
    """How late it may begin for the product to be ready in time, by the least that follows it."""
    problem, plan = planned.plan.laid.problem, planned.plan
    wanted = next(w for w in problem.wanted if w.product == product.name)
    own = plan.laid.parts[product.name][rule.step][0]
    rest = _least_after(problem, own)
    ready = wanted.ready if wanted.ready is not None else plan.tasks[wanted.task].end
    return _reason(planned, "in time", -1.0, ready - rest, begin)


def _least_after(problem: Problem, task: int) -> float:
    """The least minutes from the beginning of a task to the end of the last that follows it."""
    low = float(problem.tasks[task].lengths.low.min())
    after = [x.lag_low + _least_after(problem, x.after) for x in problem.links if x.before == task]
    return low + max(after, default=0.0)


def _spoken(step: str) -> str:
    return step.replace("-", " ")
