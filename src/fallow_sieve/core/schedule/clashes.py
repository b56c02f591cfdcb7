"""Why a plan cannot be, and a time that works: a chain that is too long, or products that clash over what is shared."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.numerics.programs import UNLIMITED, Effort
from fallow_sieve.core.schedule.plan import Plan, Request, make_plan
from fallow_sieve.core.schedule.planner.grid import end_of, laid_on_grid
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Oven
from fallow_sieve.core.schedule.planner.solving import Found
from fallow_sieve.core.schedule.planner.windows import windows
from fallow_sieve.core.schedule.steps.product import Product

_PLENTY = 50


@dataclass(frozen=True, slots=True)
class Clash:
    """What cannot be: products by name; what they clash over ("" where one alone takes too long); what would work.

    `needs_min` is how long the chain takes at least, `has_min` how long there is. `works` is a product and the minute
    at which it can be ready, the others as wanted; None where nothing was found.
    """

    products: tuple[str, ...]
    over: str
    needs_min: float | None
    has_min: float | None
    works: tuple[str, float] | None


Planner = Callable[[Request], Plan]


def clashes(request: Request, plan: Plan, effort: Effort = UNLIMITED) -> tuple[Clash, ...]:
    """Return why `request` came to no plan."""

    def planned(r: Request) -> Plan:
        return make_plan(r, effort)

    late = [p for p in request.products if _alone(planned, request, p).found is Found.TOO_LONG]
    if late:
        return tuple(_too_long(planned, request, p, late) for p in late)
    together = _least_set(planned, request)
    return (_clash(planned, request, together),)


def _alone(planned: Planner, request: Request, product: Product) -> Plan:
    return planned(replace(request, products=(product,)))


def _with(request: Request, changed: Product) -> Request:
    return replace(request, products=tuple(changed if p.name == changed.name else p for p in request.products))


def freed(product: Product) -> Product:
    """Return the product wanted as near to its time as may be, earlier or later, with nothing held."""
    return replace(product, ready=None, near=max(0.0, product.ready or 0.0), pins={})


def _too_long(planned: Planner, request: Request, product: Product, late: Sequence[Product]) -> Clash:
    names = {p.name for p in late}
    kept = tuple(
        freed(p) if p.name == product.name else p
        for p in request.products
        if p.name == product.name or p.name not in names
    )
    found = planned(replace(request, products=kept))
    if not found.is_usable:
        found = planned(replace(request, products=(freed(product),)))
    works = (product.name, _end(found, product)) if found.is_usable else None
    return Clash((product.name,), "", _least_min(found, product), product.ready, works)


def _least_min(plan: Plan, product: Product) -> float:
    """How long the chain of a product takes at least, minutes from the beginning of the plan."""
    problem = plan.laid.problem
    grid = laid_on_grid(problem, CELL_MIN)
    last = plan.laid.parts[product.name][product.rules[-1].step][-1]
    return float(CELL_MIN * windows(problem, grid).first[end_of(last)])


def _end(plan: Plan, product: Product) -> float:
    return plan.step(product.name, product.rules[-1].step).end


def _least_set(planned: Planner, request: Request) -> tuple[Product, ...]:
    """Products none of which can be left out without the rest becoming possible."""
    held = list(request.products)
    for product in request.products:
        without = [p for p in held if p is not product]
        if without and not planned(replace(request, products=tuple(without))).is_usable:
            held = without
    return tuple(held)


def _clash(planned: Planner, request: Request, together: Sequence[Product]) -> Clash:
    names = tuple(p.name for p in together)
    only = replace(request, products=tuple(together))
    over = next((word for word, freed in _without_limits(only) if planned(freed).is_usable), "times")
    works = [(p.name, _end(found, p)) for p in together if (found := planned(_with(request, freed(p)))).is_usable]
    ready = {p.name: p.ready or 0.0 for p in together}
    best = min(works, key=lambda w: abs(w[1] - ready[w[0]]), default=None)
    return Clash(names, over, None, None, best)


def _without_limits(request: Request) -> list[tuple[str, Request]]:
    """The request with ever more of what is shared taken as plenty, and what that was."""
    ovens = tuple(Oven(f"{o.name} {n}", o.kind, _PLENTY) for o in request.ovens for n in range(len(request.products)))
    people = replace(request.crew, people=_PLENTY)
    mixers = replace(request.crew, mixers=0)
    more = replace(request, ovens=ovens, crew=replace(people, mixers=0))
    return [
        ("oven", replace(request, ovens=ovens)),
        ("hands", replace(request, crew=people)),
        ("mixer", replace(request, crew=mixers)),
        ("ovens and hands", more),
    ]
