"""A schedule file planned: what is asked, as the core plans it; the plan, or why there is none."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from datetime import time, timedelta

from fallow_sieve.core.numerics.programs import UNLIMITED, Effort
from fallow_sieve.core.schedule.clashes import Clash, clashes, freed
from fallow_sieve.core.schedule.clock import Clock, crew_of, hour_of, instant_of, zone_named
from fallow_sieve.core.schedule.learning import Pace, Taught, heating_of, pace_of
from fallow_sieve.core.schedule.plan import Plan, Request, make_plan
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Bother, Oven, may_take
from fallow_sieve.core.schedule.planner.solving import Found
from fallow_sieve.core.schedule.steps.dough import Kitchen
from fallow_sieve.core.schedule.steps.making import make
from fallow_sieve.core.schedule.steps.places import Climate
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.readings import ReadPace, read_pace
from fallow_sieve.core.schedule.steps.rules import COLD, Kind
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.schedule import USUAL_KITCHEN, KitchenIn, PlanFile, ProductIn
from fallow_sieve.reference import containers, oven_named, template_named
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.schedule.products import Moment, key_of, product_of

SPARE_H = 24.0  # beyond what is wanted and what the longest chain takes
LONGEST_DAYS = 14.0
NOTHING = Taught()


@dataclass(frozen=True, eq=False, slots=True)
class Planned:
    """A schedule as planned: what was asked, on which clock, the plan, and why there is none."""

    request: Request
    clock: Clock
    plan: Plan
    clashes: tuple[Clash, ...]
    file: PlanFile
    paces: Mapping[str, Pace]
    taught: Taught


def planned(
    file: PlanFile,
    kitchen: KitchenNow,
    effort: Effort = UNLIMITED,
    why_effort: Effort = UNLIMITED,
    taught: Taught = NOTHING,
    coarse_found: Callable[[Planned], None] = lambda planned: None,
) -> Planned:
    """Return the plan of a schedule file; `why_effort` is for finding why there is none.

    `coarse_found` is told of a first plan, to within a quarter of an hour and not yet followed.

    Raises BadInputError naming the place of what cannot be planned at all.
    """
    first = _late_if_it_runs(_planned(file, kitchen, effort, taught, coarse_found), effort)
    found = _colder(first, kitchen, effort) if _is_bad(first) else first
    cannot_be = found.plan.found in (Found.TOO_LONG, Found.CLASH)
    return replace(found, clashes=clashes(found.request, found.plan, why_effort)) if cannot_be else found


def _planned(
    file: PlanFile, kitchen: KitchenNow, effort: Effort, taught: Taught, coarse_found: Callable[[Planned], None]
) -> Planned:
    request, clock = request_of(file, kitchen, taught)
    paces = paces_of(file, request, taught)

    def whole(plan: Plan) -> Planned:
        return Planned(request, clock, plan, (), file, paces, taught)

    return whole(make_plan(request, effort, lambda plan: coarse_found(whole(plan))))


def _late_if_it_runs(found: Planned, effort: Effort) -> Planned:
    """A plan that runs and cannot be in time any more is as little late as may be: it cannot be called off."""
    if found.plan.is_usable or not any(p.done for p in found.request.products):
        return found
    products = tuple(freed(p) if p.done else p for p in found.request.products)
    request = replace(found.request, products=products)
    plan = make_plan(request, effort)
    return replace(found, request=request, plan=plan) if plan.is_usable else found


def _is_bad(found: Planned) -> bool:
    """Whether there is no plan, or one for which somebody must get up at night."""
    return not found.plan.is_usable or found.plan.bother >= found.request.bother.asleep_visit


def _colder(found: Planned, kitchen: KitchenNow, effort: Effort) -> Planned:
    """The plan with rises put into the cold one by one, where they may be and nobody said otherwise, if better."""
    best = found
    for n, (given, product) in enumerate(zip(found.file.products, found.request.products, strict=True)):
        every = template_named(product.use, given.school)
        cold = next((r.step for r in reversed(every) if r.step.endswith(COLD)), None)
        if cold is None or cold in given.switches or given.done:
            continue
        tried = given.model_copy(update={"switches": {**given.switches, cold: True}})
        products = [*best.file.products[:n], tried, *best.file.products[n + 1 :]]
        file = best.file.model_copy(update={"products": products})
        other = _planned(file, kitchen, effort, found.taught, lambda planned: None)
        if other.plan.is_usable and other.plan.bother < best.plan.bother:
            best = other
    return best


def paces_of(file: PlanFile, request: Request, taught: Taught) -> dict[str, Pace]:
    """Return what the kitchen's rises say of the pace of each product."""
    return {
        p.name: pace_of(taught.rises, p.use, key_of(g)) for p, g in zip(request.products, file.products, strict=True)
    }


def request_of(file: PlanFile, kitchen: KitchenNow, taught: Taught = NOTHING) -> tuple[Request, Clock]:
    """Return what a schedule file asks, and its clock. Raises BadInputError."""
    if not file.products:
        raise BadInputError("nothing is to be made yet", place="/products", right="add a product")
    place = file.kitchen or USUAL_KITCHEN
    moment = _moment(file)
    around = Kitchen(_climate(place, moment.clock), containers())
    products = tuple(
        _read(product_of(p, moment, kitchen, taught.rises, f"/products/{n}"), p, moment.clock, around, f"/products/{n}")
        for n, p in enumerate(file.products)
    )
    _refuse_twice([p.name for p in products], "/products")
    ovens, bother = _ovens(place, taught), Bother(**place.bother.model_dump())
    cells = _cells(products, around, ovens, bother)
    hours, blocked = _hours(place.hours, "/kitchen/hours"), _hours(place.blocked, "/kitchen/blocked")
    crew = crew_of(moment.clock, cells, hours, blocked, place.people, place.mixers, bother)
    return Request(products, around, crew, ovens, cells, bother), moment.clock


def _moment(file: PlanFile) -> Moment:
    """Minute 0 is now, or when the first step that was done began."""
    zone = zone_named(file.zone)
    now = instant_of(file.now, zone, "/now")
    begun = [instant_of(d.began, zone, "/products") for p in file.products for d in p.done.values()]
    first = min([now, *begun])
    clock = Clock.from_instant(first if first == now else first - timedelta(minutes=CELL_MIN), zone)
    return Moment(clock, max(0.0, clock.minute(now)))


def _read(product: Product, given: ProductIn, clock: Clock, around: Kitchen, place: str) -> Product:
    """The product with the paces that the readings of its running rises tell."""
    found: dict[str, ReadPace] = {}
    for step, readings in given.readings.items():
        rule = next((r for r in product.rules if r.step == step), None)
        if rule is None or rule.kind is not Kind.FERMENT or step not in product.done:
            continue
        read = [(clock.minute(instant_of(r.at, clock.zone, f"{place}/readings/{step}")), r.rise_pct) for r in readings]
        rises = [(at, rise) for at, rise in read if rise is not None]
        if rises:
            found[step] = read_pace(product, rule, around, product.done[step].begin, rises)
    return replace(
        product,
        paces={s: r.factor for s, r in found.items()},
        reaches={s: (r.low / r.factor, r.high / r.factor) for s, r in found.items() if r.high > r.low},
        flags={s: r.flags for s, r in found.items()},
    )


def _refuse_twice(names: list[str], place: str) -> None:
    for n, name in enumerate(names):
        if name in names[:n]:
            raise BadInputError(f"{name!r} stands twice", place=f"{place}/{n}/id", right="give each its own name")


def check_kitchen(kitchen: KitchenIn) -> None:
    """Raise BadInputError for a kind of oven that is not known, an oven named twice, or an hour that is none."""
    _ovens(kitchen, NOTHING)
    _hours(kitchen.hours, "/kitchen/hours")
    _hours(kitchen.blocked, "/kitchen/blocked")


def _ovens(kitchen: KitchenIn, taught: Taught) -> tuple[Oven, ...]:
    _refuse_twice([o.id for o in kitchen.ovens], "/kitchen/ovens")
    found = []
    for n, o in enumerate(kitchen.ovens):
        kind = oven_named(o.kind, f"/kitchen/ovens/{n}/kind")
        found.append(Oven(o.id, kind, o.levels or kind.levels, heating_of(taught.heats, o.id)[0]))
    return tuple(found)


def _hours(spans: list[list[str]], place: str) -> list[tuple[time, time]]:
    return [(hour_of(a, f"{place}/{n}/0"), hour_of(b, f"{place}/{n}/1")) for n, (a, b) in enumerate(spans)]


def _climate(kitchen: KitchenIn, clock: Clock) -> Climate:
    return Climate(kitchen.room_c, kitchen.fridge_c, kitchen.box_c, kitchen.night_c, clock.begin_hour)


def _cells(products: tuple[Product, ...], around: Kitchen, ovens: tuple[Oven, ...], bother: Bother) -> int:
    """How far to look ahead: to the last that is wanted, or the longest chain, and a day."""
    longest = 0.0
    for n, product in enumerate(products):
        made = make(product, around, {}, 0, bother)
        for task in made.tasks:
            if task.phases and not any(may_take(o, task) for o in ovens):
                _refuse_without_oven(product, task.in_machine, n)
        chain = sum(float(t.lengths.typical.max()) for t in made.tasks)
        longest = max(longest, chain, product.ready or 0.0)
    minutes = longest + 60 * SPARE_H
    if minutes > 60 * 24 * LONGEST_DAYS:
        right = f"at most {LONGEST_DAYS:.0f} days ahead"
        raise BadInputError("a plan that reaches so far", place="/products", right=right)
    return int(minutes // CELL_MIN)


def _refuse_without_oven(product: Product, machine: bool, n: int) -> None:
    what = "a bread machine" if machine else f"an oven that reaches {max(p.oven_c for p in product.phases):.0f} °C"
    raise BadInputError(f"no oven here bakes {product.name}", place="/kitchen/ovens", right=f"it wants {what}")
