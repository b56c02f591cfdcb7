"""A plan: times found, followed minute by minute, and found again until both agree."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field, replace

from fallow_sieve.core.numerics.programs import UNLIMITED, Effort
from fallow_sieve.core.schedule.planner.checking import broken
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Bother, Crew, Link, Oven, Problem, Task, Timed, Wanted
from fallow_sieve.core.schedule.planner.solving import Found, Times, find_times, near_times
from fallow_sieve.core.schedule.steps.dough import Kitchen, State, Stay, follow
from fallow_sieve.core.schedule.steps.making import Made, make
from fallow_sieve.core.schedule.steps.nominal import nominal_states
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.rules import Kind

ROUNDS = 4
NEAR_MIN = 120.0
States = Mapping[str, Mapping[str, State]]


@dataclass(frozen=True, eq=False, slots=True)
class Request:
    """What is to be planned: products, the kitchen, who and what works in it, and how far ahead (cells)."""

    products: tuple[Product, ...]
    kitchen: Kitchen
    crew: Crew
    ovens: tuple[Oven, ...]
    cells: int
    bother: Bother = field(default_factory=Bother)


@dataclass(frozen=True, eq=False, slots=True)
class Laid:
    """A request as one problem, and which of its tasks are whose steps."""

    problem: Problem
    parts: Mapping[str, Mapping[str, tuple[int, ...]]]


@dataclass(frozen=True, eq=False, slots=True)
class Plan:
    """Times of every step by product, how its dough is at each, and what it costs; or why there is none."""

    found: Found
    laid: Laid
    tasks: tuple[Timed, ...]
    stays: Mapping[str, Mapping[str, Stay]]
    bother: float
    gap: float
    too_long: str | None = None

    @property
    def is_usable(self) -> bool:
        """Whether there are times."""
        return bool(self.tasks)

    def step(self, product: str, step: str) -> Timed:
        """Return when a step begins and ends (minutes), and in which oven."""
        return _whole(self.laid, product, step, self.tasks)


def _whole(laid: Laid, product: str, step: str, tasks: Sequence[Timed]) -> Timed:
    own = laid.parts[product][step]
    return Timed(tasks[own[0]].begin, tasks[own[-1]].end, tasks[own[0]].oven)


def make_plan(
    request: Request, effort: Effort = UNLIMITED, coarse_found: Callable[[Plan], None] = lambda plan: None
) -> Plan:
    """Return the plan that costs least; `coarse_found` is told of a first one to within a quarter of an hour.

    Raises BadInputError for products that cannot be made in this kitchen at all.
    """
    states: States = {p.name: nominal_states(p, request.kitchen, request.cells) for p in request.products}
    laid = lay(request, states)
    times = find_times(laid.problem, effort, lambda t: coarse_found(_plan(laid, t, {})))
    stays: dict[str, dict[str, Stay]] = {}
    for _ in range(ROUNDS):
        if not times.is_usable:
            return _plan(laid, times, {})
        stays = _followed(request, laid, times)
        states = {p: {s: x.begin for s, x in here.items()} for p, here in stays.items()}
        again = lay(request, states)
        if not _changed(laid, again):
            break
        laid = again
        times = near_times(laid.problem, times.times, NEAR_MIN, effort)
    return _agreed(request, laid, times)


def lay(request: Request, states: States) -> Laid:
    """Return the request as one problem, with doughs that are in `states` when their rises begin."""
    made = {
        p.name: make(p, request.kitchen, states.get(p.name, {}), request.cells, request.bother)
        for p in request.products
    }
    tasks: list[Task] = []
    links: list[Link] = []
    wanted: list[Wanted] = []
    parts: dict[str, dict[str, tuple[int, ...]]] = {}
    for name, m in made.items():
        first = len(tasks)
        tasks += m.tasks
        links += [Link(x.before + first, x.after + first, x.lag_low, x.lag_high) for x in m.links]
        wanted.append(replace(m.wanted, task=m.wanted.task + first))
        parts[name] = _shifted(m, first)
    room_c = request.kitchen.climate.room_c
    problem = Problem(
        tuple(tasks), tuple(links), tuple(wanted), request.crew, request.ovens, room_c, request.cells, request.bother
    )
    return Laid(problem, parts)


def _shifted(m: Made, first: int) -> dict[str, tuple[int, ...]]:
    return {step: tuple(n + first for n in own) for step, own in m.parts.items()}


def _followed(request: Request, laid: Laid, times: Times) -> dict[str, dict[str, Stay]]:
    return {
        p.name: follow(p, request.kitchen, {r.step: _whole(laid, p.name, r.step, times.times) for r in p.rules})
        for p in request.products
    }


def _changed(before: Laid, after: Laid) -> bool:
    """Whether any step's lengths moved by more than a cell."""
    for a, b in zip(before.problem.tasks, after.problem.tasks, strict=True):
        for x, y in ((a.lengths.low, b.lengths.low), (a.lengths.typical, b.lengths.typical)):
            if len(x) != len(y) or float(abs(x - y).max()) > CELL_MIN:
                return True
    return False


def _agreed(request: Request, laid: Laid, times: Times) -> Plan:
    """The plan as it is shown: only where, followed minute by minute, it keeps every rule to within a cell."""
    if not times.is_usable:
        return _plan(laid, times, {})
    stays = _followed(request, laid, times)
    states = {p: {s: x.begin for s, x in here.items()} for p, here in stays.items()}
    wrong = broken(lay(request, states).problem, times.times)
    if wrong:
        raise RuntimeError(f"a plan does not keep its own rules: {'; '.join(wrong)}")
    return _plan(laid, times, stays)


def _plan(laid: Laid, times: Times, stays: Mapping[str, Mapping[str, Stay]]) -> Plan:
    return Plan(times.found, laid, times.times, stays, times.bother, times.gap, times.too_long)


def latest_begin(plan: Plan, request: Request) -> float:
    """Return the latest minute at which the first step may begin, by the chain of its product alone."""
    return min(_last_begin(plan, p, w) for p, w in zip(request.products, plan.laid.problem.wanted, strict=True))


def _last_begin(plan: Plan, product: Product, wanted: Wanted) -> float:
    end = wanted.ready if wanted.ready is not None else plan.tasks[wanted.task].end
    latest: dict[str, float] = {product.rules[-1].step: end}
    for rule in reversed(product.rules):
        own = plan.laid.parts[product.name][rule.step]
        low = sum(float(plan.laid.problem.tasks[n].lengths.low.min()) for n in own)
        begin = latest.get(rule.step, end) - low
        for name in rule.after:
            latest[name] = min(latest.get(name, end), begin - rule.lag_low_min)
        latest[rule.step] = begin
    return min(latest[r.step] for r in product.rules if not r.after and r.kind is not Kind.COOL)
