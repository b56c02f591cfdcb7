"""A plan as it is told: steps with their instants, hands and oven, the ovens' heating, conflicts in words."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime

from fallow_sieve.core.schedule.clashes import Clash
from fallow_sieve.core.schedule.clock import Clock
from fallow_sieve.core.schedule.plan import Plan, latest_begin
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Task, Timed
from fallow_sieve.core.schedule.steps.dough import RISES
from fallow_sieve.core.schedule.steps.places import place_of
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.rules import StepRule
from fallow_sieve.core.values import counted
from fallow_sieve.formats.schedule import ConflictOut, HeatOut, ReadyOut, ScheduleAnswer, StepOut
from fallow_sieve.services.schedule.plans import Planned

CAUTIONS = (
    "Raw flour and raw egg are not safe to taste: bake to the core temperature, and measure it.",
    "Ovens, tins and steam burn: dry gloves, and stand to the side of the door.",
    "Lay the lid on a starter's jar, never screw it: it can burst.",
)


def schedule_answer(found: Planned) -> ScheduleAnswer:
    """Return the document of a plan: instants in UTC."""
    plan, clock = found.plan, found.clock
    if not plan.is_usable:
        said = [ConflictOut(say=clash_words(c, clock), works=_works(c, clock)) for c in found.clashes]
        return ScheduleAnswer(
            status="infeasible",
            say=said[0].say if said else "No times were found.",
            begin_at=None,
            latest_start=None,
            products=[],
            steps=[],
            heating=[],
            bother=None,
            gap=None,
            conflicts=said,
            cautions=list(CAUTIONS),
        )
    steps = [s for p in found.request.products for s in steps_of(found, p)]
    return ScheduleAnswer(
        status=str(plan.found),
        say=sentence(found),
        begin_at=text_of(clock, min(t.begin for t in plan.tasks)),
        latest_start=text_of(clock, CELL_MIN * (latest_begin(plan, found.request) // CELL_MIN)),
        products=[ReadyOut(id=p.name, ready_at=text_of(clock, _ready(plan, p))) for p in found.request.products],
        steps=sorted(steps, key=lambda s: (s.at, s.end, s.product)),
        heating=heating(found),
        bother=round(plan.bother, 6),
        gap=plan.gap,
        conflicts=[],
        cautions=list(CAUTIONS),
    )


def text_of(clock: Clock, minute: float) -> str:
    """Return the instant of a minute in ISO 8601, UTC."""
    return clock.instant(minute).strftime("%Y-%m-%dT%H:%M:%SZ")


def _ready(plan: Plan, product: Product) -> float:
    return plan.step(product.name, product.rules[-1].step).end


def steps_of(found: Planned, product: Product) -> list[StepOut]:
    """Return the steps of one product in its order."""
    return [_step(found, product, rule) for rule in product.rules]


def _step(found: Planned, product: Product, rule: StepRule) -> StepOut:
    plan, clock = found.plan, found.clock
    own = plan.laid.parts[product.name][rule.step]
    tasks = [(plan.laid.problem.tasks[n], plan.tasks[n]) for n in own]
    timed = plan.step(product.name, rule.step)
    stay = plan.stays[product.name].get(rule.step)
    rises = rule.kind in RISES and stay is not None
    climate = found.request.kitchen.climate
    place = place_of(rule, climate)
    phases = tasks[0][0].phases
    temp = phases[0].oven_c if phases and not tasks[0][0].in_machine else rule.temp_c
    if temp is None and place not in ("oven", "hob", "machine"):
        temp = climate.temp_at(place, None, timed.begin)
    return StepOut(
        product=product.name,
        step=rule.step,
        do=rule.do,
        kind=str(rule.kind),
        at=text_of(clock, timed.begin),
        end=text_of(clock, timed.end),
        place=place,
        oven=timed.oven,
        temp_c=temp,
        hands=[[text_of(clock, a), text_of(clock, b)] for task, t in tasks for a, b in _spans(task, t)],
        ripeness=round(stay.end.ripeness, 3) if rises and stay else None,
        dough_c=round(stay.end.temp_c, 1) if rises and stay else None,
    )


def _spans(task: Task, t: Timed) -> list[tuple[float, float]]:
    spans = []
    if task.hands_start > 0:
        spans.append((t.begin, t.begin + task.hands_start))
    if task.hands_end > 0:
        spans.append((t.end - task.hands_end, t.end))
    return spans


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
            minutes = oven.kind.change_min(now_c, to_c, problem.room_c)
            if minutes > 0:
                at, hot = text_of(found.clock, timed.begin - minutes // 1 - 1), text_of(found.clock, timed.begin)
                out.append(HeatOut(oven=oven.name, at=at, to_c=to_c, hot_at=hot))
            last_end, last_c = timed.begin + sum(p.minutes for p in task.phases), task.phases[-1].oven_c
    return sorted(out, key=lambda h: h.at)


def day_and_time(at: datetime, beside: datetime | None = None) -> str:
    """Return a local time as people say it: the day where it is another than that of `beside`."""
    return f"{at:%H:%M}" if beside is not None and at.date() == beside.date() else f"{at:%A %H:%M}"


def sentence(found: Planned) -> str:
    """Return the plan in one sentence: ready when, begun when, how many visits, and how many of them asleep."""
    plan, clock, crew = found.plan, found.clock, found.request.crew
    begin = clock.local(min(t.begin for t in plan.tasks))
    ready = [clock.local(_ready(plan, p)) for p in found.request.products]
    names = [p.name for p in found.request.products]
    if len(ready) == 1:
        first = f"Ready {day_and_time(ready[0])}."
    else:
        first = "Ready " + ", ".join(f"{n} {day_and_time(r)}" for n, r in zip(names, ready, strict=True)) + "."
    visits = visits_of(plan)
    asleep = sum(bool(crew.asleep[int(a // CELL_MIN)]) for a, _ in visits)
    night = f"{counted(asleep, 'visit')} while asleep" if asleep else "none while asleep"
    return f"{first} Begin {day_and_time(begin)}; {counted(len(visits), 'visit')}, {night}."


def visits_of(plan: Plan) -> list[tuple[float, float]]:
    """Return the spans (minutes) in which somebody is at work, those that touch made one."""
    spans = sorted(s for task, t in zip(plan.laid.problem.tasks, plan.tasks, strict=True) for s in _spans(task, t))
    found: list[tuple[float, float]] = []
    for begin, end in spans:
        if found and begin <= found[-1][1] + CELL_MIN:
            found[-1] = (found[-1][0], max(end, found[-1][1]))
        else:
            found.append((begin, end))
    return found


def _works(clash: Clash, clock: Clock) -> str | None:
    return None if clash.works is None else text_of(clock, clash.works[1])


def clash_words(clash: Clash, clock: Clock) -> str:
    """Return what cannot be in words, with a time that works."""
    works = "" if clash.works is None else day_and_time(clock.local(clash.works[1]))
    if clash.needs_min is not None and clash.has_min is not None:
        has = f"there are {span_words(clash.has_min)}" if clash.has_min > 0 else "it was wanted in the past"
        return f"{clash.products[0]} takes {span_words(clash.needs_min)} at least and {has}: {works}."
    why = _OVER.get(clash.over, "")
    end = f" {clash.works[0]} at {works} works." if clash.works else ""
    if len(clash.products) == 1:
        return f"{clash.products[0]} cannot be ready then{why}.{end}"
    return f"{_and(clash.products)} cannot all be ready when they are wanted{why}.{end}"


_OVER = {
    "oven": ": they want an oven at the same time, too far apart in heat to share it",
    "hands": ": more hands are wanted at once than there are",
    "mixer": ": more mixers are wanted at once than there are",
    "ovens and hands": ": neither the ovens nor the hands are enough",
}


def _and(names: Sequence[str]) -> str:
    return f"{', '.join(names[:-1])} and {names[-1]}" if len(names) > 1 else names[0]


def span_words(minutes: float) -> str:
    """Return a length of time as people say it.

    >>> span_words(95), span_words(1535)
    ('1 h 35 min', '25 h 35 min')
    """
    whole = round(minutes)
    if whole < 60:
        return f"{whole} min"
    return f"{whole // 60} h {whole % 60} min" if whole % 60 else f"{whole // 60} h"
