"""A plan as it is told: steps with their instants, hands and oven, the ovens' heating, conflicts in words."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from fallow_sieve.core.schedule.clashes import Clash
from fallow_sieve.core.schedule.clock import Clock
from fallow_sieve.core.schedule.learning import Pace, heating_of, warmth_of
from fallow_sieve.core.schedule.plan import Plan, latest_begin
from fallow_sieve.core.schedule.planner.checking import visit_spans
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Crew
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.values import counted
from fallow_sieve.formats.schedule import ConflictOut, HoursOut, OptionOut, PaceOut, ReadyOut, ScheduleAnswer
from fallow_sieve.reference import template_named
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.schedule.doing import warm_caution
from fallow_sieve.services.schedule.plans import Planned
from fallow_sieve.services.schedule.products import key_of
from fallow_sieve.services.schedule.stepping import Told, steps_of, text_of, told
from fallow_sieve.services.schedule.warmth import heating, oven_warmth

CAUTIONS = (
    "Raw flour and raw egg are not safe to taste: bake to the core temperature, and measure it.",
    "Ovens, tins and steam burn: dry gloves, and stand to the side of the door.",
    "Lay the lid on a starter's jar, never screw it: it can burst.",
)


def schedule_answer(found: Planned, kitchen: KitchenNow) -> ScheduleAnswer:
    """Return the document of a plan: instants in UTC. Raises BadInputError for a formula that cannot be judged."""
    plan, clock = found.plan, found.clock
    if not plan.is_usable:
        return _no_plan(found)
    every = [told(found, given, kitchen) for given in found.file.products]
    steps = [s for t in every for s in steps_of(found, t)]
    warm = [c for t in every if (c := warm_caution(t.product, t.judged, warm_hours(plan, t.product)))]
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
        cautions=[*_clock_changes(found), *warm, *CAUTIONS],
        now=text_of(clock, found.request.products[0].now),
        hours=hours_of(found),
        paces=[_pace(name, pace) for name, pace in found.paces.items()],
        visits=len(visits_of(plan)),
        options=[o for t in every for o in _options(t)],
        learnt=_learnt(found),
        warmth=oven_warmth(found),
    )


def _learnt(found: Planned) -> list[str]:
    """What doughs that were measured and ovens that were heated have taught this plan, with how many say so."""
    said = []
    for given, product in zip(found.file.products, found.request.products, strict=True):
        warmer = warmth_of(found.taught.doughs, product.use, key_of(given))
        if warmer.doughs and abs(warmer.offset_k) >= _TOLD_K:
            way = "warmer" if warmer.offset_k > 0 else "cooler"
            count = counted(warmer.doughs, "dough")
            said.append(
                f"{product.name}: {count} measured, {abs(warmer.offset_k):.1f} K {way} than planned: water to suit."
            )
    for oven in found.request.ovens:
        factor, heats = heating_of(found.taught.heats, oven.name)
        if heats and abs(factor - 1) >= _TOLD_SHARE:
            way = "slower" if factor > 1 else "quicker"
            said.append(f"{oven.name}: {counted(heats, 'heating')}, {100 * abs(factor - 1):.0f} % {way} than the rule.")
    return said


_TOLD_K, _TOLD_SHARE = 0.2, 0.02


def _options(told: Told) -> list[OptionOut]:
    """The steps of a product that may be left out, and which are taken."""
    taken = {r.step for r in told.product.rules}
    every = template_named(told.product.use, told.given.school)
    return [
        OptionOut(product=told.product.name, step=r.step, do=r.do, on=r.step in taken)
        for r in every
        if r.optional != "no"
    ]


def _no_plan(found: Planned) -> ScheduleAnswer:
    said = [ConflictOut(say=clash_words(c, found.clock), works=_works(c, found.clock)) for c in found.clashes]
    return ScheduleAnswer(
        status="infeasible",
        say=said[0].say if said else "No times were found before the time was up: ask again, or for less at once.",
        begin_at=None,
        latest_start=None,
        products=[],
        steps=[],
        heating=[],
        bother=None,
        gap=None,
        conflicts=said,
        cautions=list(CAUTIONS),
        now=text_of(found.clock, found.request.products[0].now),
    )


def _clock_changes(found: Planned) -> list[str]:
    """What a night on which the clocks change does to what ferments: it goes by elapsed time."""
    clock, last = found.clock, int(max(t.end for t in found.plan.tasks))
    said = []
    for minute in range(0, last, 60):
        before, after = clock.local(minute), clock.local(minute + 60)
        by = round((after.utcoffset() or _NONE) / _HOUR - (before.utcoffset() or _NONE) / _HOUR, 2)
        if by:
            way = "forward" if by > 0 else "back"
            night = f"{abs(by):g} h {'shorter' if by > 0 else 'longer'}"
            said.append(f"Clocks go {way} on {after:%A}: that night is {night} for what ferments, and is planned so.")
    return said


_NONE, _HOUR = timedelta(), timedelta(hours=1)


def _pace(name: str, pace: Pace) -> PaceOut:
    return PaceOut(id=name, factor=round(pace.factor, 4), rises=pace.rises, level=pace.level, say=pace.say)


def _ready(plan: Plan, product: Product) -> float:
    return plan.step(product.name, product.rules[-1].step).end


def warm_hours(plan: Plan, product: Product) -> float:
    """Return the hours in which a dough stands between 8 and 60 °C before it is baked."""
    total = 0.0
    for stay in plan.stays.get(product.name, {}).values():
        if stay.path is not None:
            warm = (stay.path.temp_c > _COLD_C) & (stay.path.temp_c < _HOT_C)
            total += float((warm[1:] * (stay.path.hours[1:] - stay.path.hours[:-1])).sum())
    return total


_COLD_C, _HOT_C = 8.0, 60.0


def hours_of(found: Planned) -> list[HoursOut]:
    """Return the stretches in which people are asleep, at an edge of their day, or blocked, over the plan's time."""
    crew, clock = found.request.crew, found.clock
    last = int(max(t.end for t in found.plan.tasks) // CELL_MIN) + 24
    kinds = [_kind(crew, n) for n in range(min(last, len(crew.asleep)))]
    stretches, begin = [], 0
    for n in range(1, len(kinds) + 1):
        if n == len(kinds) or kinds[n] != kinds[begin]:
            if kinds[begin]:
                ends = text_of(clock, CELL_MIN * begin), text_of(clock, CELL_MIN * n)
                stretches.append(HoursOut(at=ends[0], end=ends[1], kind=kinds[begin]))
            begin = n
    return stretches


def _kind(crew: Crew, n: int) -> str:
    if crew.minute_cost[n] > _NEVER:
        return "blocked"
    if crew.asleep[n]:
        return "asleep"
    return "edge" if crew.minute_cost[n] > 0 else ""


_NEVER = 1e9


def day_and_time(at: datetime, beside: datetime | None = None) -> str:
    """Return a local time as people say it: the day where it is another than that of `beside`."""
    return f"{at:%H:%M}" if beside is not None and at.date() == beside.date() else f"{at:%A %H:%M}"


def sentence(found: Planned) -> str:
    """Return the plan in one sentence: ready when, begun when, how many visits, and how many of them asleep."""
    plan, clock, crew = found.plan, found.clock, found.request.crew
    begin = clock.local(min(t.begin for t in plan.tasks))
    first = _ready_words([_readiness(plan, p, clock) for p in found.request.products])
    visits = visits_of(plan)
    asleep = sum(bool(crew.asleep[int(a // CELL_MIN)]) for a, _ in visits)
    night = f"{counted(asleep, 'visit')} while asleep" if asleep else "none while asleep"
    return f"{first} Begin {day_and_time(begin)}; {counted(len(visits), 'visit')}, {night}."


@dataclass(frozen=True, slots=True)
class _Ready:
    """When a product is ready, for when it was wanted where that is much later, and how late it is."""

    name: str
    at: datetime
    wanted: datetime | None
    late_min: float = 0.0

    def words(self, day: bool) -> str:
        at = f"{self.at:%A %H:%M}" if day else f"{self.at:%H:%M}"
        if self.late_min >= CELL_MIN:
            return f"{at}, {span_words(self.late_min)} late"
        return f"{at} for {day_and_time(self.wanted, self.at)}" if self.wanted else at


_MUCH_EARLIER_MIN = 60.0


def _readiness(plan: Plan, product: Product, clock: Clock) -> _Ready:
    at, ready = _ready(plan, product), product.ready
    early = ready is not None and ready - at >= _MUCH_EARLIER_MIN
    late = at - product.near if ready is None and product.done and product.near else 0.0
    return _Ready(product.name, clock.local(at), clock.local(ready) if early and ready is not None else None, late)


def _ready_words(ready: Sequence[_Ready]) -> str:
    """When what is ready: the day once where it is the same for all."""
    if len(ready) == 1:
        return f"Ready {ready[0].words(True)}."
    same = len({r.at.date() for r in ready}) == 1
    every = ", ".join(f"{r.name} {r.words(not same)}" for r in ready)
    return f"Ready {ready[0].at:%A}: {every}." if same else f"Ready {every}."


def visits_of(plan: Plan) -> list[tuple[float, float]]:
    """Return the spans (minutes) in which somebody is at work, those that touch made one."""
    spans = sorted(s for task, t in zip(plan.laid.problem.tasks, plan.tasks, strict=True) for s in visit_spans(task, t))
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
    return f"{whole // 60} h {whole % 60:02d} min" if whole % 60 else f"{whole // 60} h"
