"""A plan that runs: what comes of a rise that is ahead or late, and what a rise that ended teaches."""

from __future__ import annotations

from datetime import datetime

from fallow_sieve.core.schedule.clock import instant_of
from fallow_sieve.core.schedule.learning import (
    FinishedRise,
    HeatedOven,
    MixedDough,
    check_dough,
    check_heating,
    check_rise,
)
from fallow_sieve.core.schedule.plan import Request
from fallow_sieve.core.schedule.ripening.path import Dough
from fallow_sieve.core.schedule.steps.dough import State, dough_steps, hours_for, way
from fallow_sieve.core.schedule.steps.places import BENCH, container_of
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.rules import Kind, StepRule
from fallow_sieve.core.schedule.ways_out import WayOut, ways_out
from fallow_sieve.core.values import BadInputError, UnknownNameError
from fallow_sieve.services.schedule.plans import Planned
from fallow_sieve.services.schedule.products import key_of

WARMER_K = 8.0  # where there is no warm box: a bowl of warm water under it


def ways_from_here(planned: Planned, name: str, step: str, at: datetime) -> tuple[WayOut, ...]:
    """Return what comes of leaving, cooling, warming or baking a rise at the instant `at`. Raises BadInputError."""
    product, rule = step_named(planned.request, name, step)
    stay = planned.plan.stays.get(name, {}).get(step)
    timed = planned.plan.step(name, step) if planned.plan.is_usable else None
    if rule.kind is not Kind.FERMENT or stay is None or timed is None:
        raise BadInputError(f"{step} is no rise of this plan", place="/step", right="name a rise that is in the plan")
    kitchen, minute = planned.request.kitchen, planned.clock.minute(at)
    before = _before(product, rule)
    elapsed = max(1.0, minute - timed.begin)
    path = way(product, kitchen, rule, before, stay.begin, timed.begin, elapsed)
    container, in_pieces = container_of(rule, before, product.use, kitchen.containers)
    tau = container.tau_h(product.piece_g if in_pieces else product.dough_g)
    here = kitchen.climate.temp_at(_place(planned, rule), rule.temp_c, minute)
    warm = kitchen.climate.box_c or here + WARMER_K
    places = {"leave": here, "colder": kitchen.climate.fridge_c, "warmer": warm}
    dough = Dough(product.ferments_with(rule), hours_for(product, rule), product.dough_c)
    return ways_out(dough, State(path.end_c, path.end_ripeness), tau, places, product.rim.get(step))


def _place(planned: Planned, rule: StepRule) -> str:
    return rule.place if rule.place != "room" else BENCH


def _before(product: Product, rule: StepRule) -> frozenset[str]:
    return frozenset(r.step for r in product.rules[: product.rules.index(rule)])


def step_named(request: Request, name: str, step: str) -> tuple[Product, StepRule]:
    """Return a product and its step. Raises UnknownNameError."""
    product = next((p for p in request.products if p.name == name), None)
    if product is None:
        raise UnknownNameError("product", name, [p.name for p in request.products], place="/product")
    rule = next((r for r in product.rules if r.step == step), None)
    if rule is None:
        raise UnknownNameError("step", step, [r.step for r in product.rules], place="/step")
    return product, rule


def finished_rise(planned: Planned, name: str, step: str) -> FinishedRise:
    """Return what a rise that ended teaches: hours at 26 °C it took, and those that its template and dough say.

    Raises BadInputError where it is no rise, or has not ended.
    """
    product, rule = step_named(planned.request, name, step)
    done, stay = product.done.get(step), planned.plan.stays.get(name, {}).get(step)
    if rule.kind is not Kind.FERMENT or rule.step == "preferment" or stay is None:
        raise BadInputError(f"{step} is no rise of this plan", place="/step", right="name a rise that is in the plan")
    if done is None or done.end is None or stay.path is None:
        raise BadInputError(f"{step} has not ended", place="/step", right="say when it ended first")
    planned_h = hours_for(product, rule) / product.pace / product.paces.get(step, 1.0)
    given = next(g for g in planned.file.products if g.id == name)
    return FinishedRise(product.use, key_of(given), planned_h, float(stay.path.units[-1]))


def mixed_dough(planned: Planned, name: str, step: str) -> MixedDough | None:
    """Return what the first reading of a dough's °C teaches of its mixing; None where none was taken at this step."""
    product, _ = step_named(planned.request, name, step)
    given = next(g for g in planned.file.products if g.id == name)
    warm = [r.dough_c for r in given.readings.get(step, []) if r.dough_c is not None]
    first = next(iter(dough_steps(product.rules)), None)
    if not warm or given.planned_dough_c is None or first is None:
        return None
    return MixedDough(product.use, key_of(given), given.planned_dough_c, warm[0])


def heated_oven(planned: Planned, name: str, step: str) -> HeatedOven | None:
    """Return what heating the oven for a bake teaches, by the minutes it took; None where that was not noted."""
    product, _ = step_named(planned.request, name, step)
    given = next(g for g in planned.file.products if g.id == name)
    heat = given.heats.get(step)
    timed = planned.plan.step(name, step) if planned.plan.is_usable else None
    oven = next((o for o in planned.request.ovens if timed and o.name == timed.oven), None)
    if heat is None or heat.ended is None or oven is None:
        return None
    begin, hot = (planned.clock.minute(instant_in(planned, t, "/heats")) for t in (heat.began, heat.ended))
    to_c = min(product.phases[0].oven_c, oven.kind.max_c)
    return HeatedOven(oven.name, oven.kind.warm_up_min(planned.request.kitchen.climate.room_c, to_c), hot - begin)


def observations(planned: Planned, name: str, step: str) -> list[FinishedRise | MixedDough | HeatedOven]:
    """Return all that a step teaches: a rise that ended, a dough that was measured, an oven that was heated.

    Raises BadInputError where it teaches nothing yet, or what was noted can only be a slip.
    """
    product, rule = step_named(planned.request, name, step)
    found: list[FinishedRise | MixedDough | HeatedOven] = []
    done = product.done.get(step)
    if rule.kind is Kind.FERMENT and done is not None and done.end is not None:
        found.append(finished_rise(planned, name, step))
    found += [x for x in (mixed_dough(planned, name, step), heated_oven(planned, name, step)) if x is not None]
    if not found:
        raise BadInputError(f"{step} teaches nothing yet", place="/step", right="say when it ended, or take a reading")
    for what in found:
        _check(what)
    return found


def _check(what: FinishedRise | MixedDough | HeatedOven) -> None:
    if isinstance(what, FinishedRise):
        check_rise(what)
    elif isinstance(what, MixedDough):
        check_dough(what)
    else:
        check_heating(what)


def cancelled_steps(planned: Planned) -> tuple[tuple[str, str], ...]:
    """Return what was announced and is no longer in the plan: product and step."""
    found = []
    for given in planned.file.products:
        product = next(p for p in planned.request.products if p.name == given.id)
        names = {r.step for r in product.rules}
        found += [(given.id, s) for s in given.announced if s not in names]
    return tuple(found)


def instant_in(planned: Planned, text: str, place: str) -> datetime:
    """Return an instant (UTC) that a text of the kitchen's own clock names. Raises BadInputError."""
    return instant_of(text, planned.clock.zone, place)
