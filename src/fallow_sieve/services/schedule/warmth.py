"""The ovens of a plan: when each is switched on, and how warm it is, as points to be joined."""

from __future__ import annotations

import math

from fallow_sieve.core.schedule.ovens import OvenKind
from fallow_sieve.core.schedule.planner.problem import Oven
from fallow_sieve.formats.schedule import HeatOut, WarmthOut
from fallow_sieve.services.schedule.plans import Planned
from fallow_sieve.services.schedule.stepping import text_of

_COOLING_MIN = (20.0, 45.0, 90.0)  # after a bake, where a point of the curve is given


def oven_warmth(found: Planned) -> list[WarmthOut]:
    """Return the warmth of every oven of a plan (°C at instants, UTC)."""
    return [point for oven in found.request.ovens if oven.kind.heats for point in _of(found, oven)]


def _of(found: Planned, oven: Oven) -> list[WarmthOut]:
    problem, plan = found.plan.laid.problem, found.plan
    bakes = [(t, x) for t, x in zip(problem.tasks, plan.tasks, strict=True) if t.phases and x.oven == oven.name]
    points: list[tuple[float, float]] = []
    for task, timed in sorted(bakes, key=lambda b: b[1].begin):
        first_c = min(task.phases[0].oven_c, oven.kind.max_c)
        before = _cooled(points[-1], timed.begin, oven.kind, problem.room_c) if points else problem.room_c
        on = timed.begin - oven.pace * oven.kind.change_min(before, first_c, problem.room_c)
        if points:
            on = max(on, points[-1][0])
            before = _cooled(points[-1], on, oven.kind, problem.room_c)
        points.append((on, before))
        at = timed.begin
        for phase in task.phases:
            held = min(phase.oven_c, oven.kind.max_c)
            points += [(at, held), (at + phase.minutes, held)]
            at += phase.minutes
    if points:
        last = points[-1]
        points += [(last[0] + m, _cooled(last, last[0] + m, oven.kind, problem.room_c)) for m in _COOLING_MIN]
    return [WarmthOut(oven=oven.name, at=text_of(found.clock, m), temp_c=round(c, 1)) for m, c in points]


def _cooled(since: tuple[float, float], minute: float, kind: OvenKind, room_c: float) -> float:
    """How warm a shut oven is at `minute`, that was so warm at another."""
    return room_c + (since[1] - room_c) * math.exp(-(minute - since[0]) / kind.tau_cool_closed_min)


def heating(found: Planned) -> list[HeatOut]:
    """Return when each oven is switched on or turned, so that it is hot as its bake begins."""
    plan, problem, out = found.plan, found.plan.laid.problem, []
    for oven in found.request.ovens:
        bakes = sorted(
            ((t, x) for t, x in zip(problem.tasks, plan.tasks, strict=True) if t.phases and x.oven == oven.name),
            key=lambda b: b[1].begin,
        )
        last_end, last_c = -1e9, problem.room_c
        for task, timed in bakes:
            if task.in_machine:
                continue
            now_c = last_c if timed.begin - last_end < oven.kind.tau_cool_closed_min else problem.room_c
            to_c = min(task.phases[0].oven_c, oven.kind.max_c)
            minutes = oven.pace * oven.kind.change_min(now_c, to_c, problem.room_c)
            if minutes > 0:
                at, hot = text_of(found.clock, timed.begin - minutes // 1 - 1), text_of(found.clock, timed.begin)
                out.append(HeatOut(oven=oven.name, at=at, to_c=to_c, hot_at=hot, product=task.product, step=task.step))
            last_end, last_c = timed.begin + sum(p.minutes for p in task.phases), task.phases[-1].oven_c
    return sorted(out, key=lambda h: h.at)
