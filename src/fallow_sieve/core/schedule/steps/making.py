"""From products to tasks: every step with its length, hands and oven, and what follows what."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

from fallow_sieve.core.schedule.planner.problem import (
    CELL_MIN,
    Bother,
    Lengths,
    Link,
    OvenPhase,
    Task,
    Wanted,
    lasting,
)
from fallow_sieve.core.schedule.steps.dough import Kitchen, State
from fallow_sieve.core.schedule.steps.lengths import (
    as_it_stands,
    by_hand,
    of_build,
    of_preferment,
    of_rise,
    targets_of,
    whole_cells,
)
from fallow_sieve.core.schedule.steps.product import Done, Product
from fallow_sieve.core.schedule.steps.rules import Kind, StepRule
from fallow_sieve.core.values import BadInputError

TURN_MIN = 3.0  # of hands, where a bake goes from one phase to the next
States = Mapping[str, State]


@dataclass(frozen=True, slots=True)
class Made:
    """The tasks of one product with what follows what; `parts` are the tasks of each step, by their number."""

    tasks: tuple[Task, ...]
    links: tuple[Link, ...]
    wanted: Wanted
    parts: Mapping[str, tuple[int, ...]]


def make(product: Product, kitchen: Kitchen, states: States, cells: int, bother: Bother) -> Made:
    """Return the tasks of `product`; `states` is how its dough is when each rise begins. Raises BadInputError."""
    tasks: list[Task] = []
    parts: dict[str, tuple[int, ...]] = {}
    for at, rule in enumerate(product.rules):
        before = frozenset(r.step for r in product.rules[:at])
        made = _tasks(product, rule, kitchen, before, states, cells, bother)
        parts[rule.step] = tuple(range(len(tasks), len(tasks) + len(made)))
        tasks += made
    links = [x for rule in product.rules for x in _links(product, rule, parts)]
    last = product.rules[-1]
    wait = last.can_wait_min if product.may_wait_min is None else product.may_wait_min
    wanted = Wanted(product.name, parts[last.step][-1], product.ready, max(wait, _GRID_SLACK_MIN), product.near)
    return Made(tuple(tasks), tuple(links), wanted, parts)


_GRID_SLACK_MIN = 4.99  # a wanted minute that lies between two of the grid


def _tasks(
    product: Product,
    rule: StepRule,
    kitchen: Kitchen,
    before: frozenset[str],
    states: States,
    cells: int,
    bother: Bother,
) -> list[Task]:
    lengths, early, late = _lengths(product, rule, kitchen, before, states, cells, bother)
    done = product.done.get(rule.step)
    pin = product.pins.get(rule.step) if done is None else CELL_MIN * round(done.begin / CELL_MIN)
    task = Task(
        product.name,
        rule.step,
        lengths,
        rule.hands_start_min,
        rule.hands_end_min,
        needs_mixer=rule.resource == "mixer",
        early_cost=early,
        late_cost=late,
        oven=product.ovens.get(rule.step),
        not_before=product.now if pin is None else pin,
        not_after=math.inf if pin is None else pin,
        announced=product.announced.get(rule.step),
    )
    if done is not None:
        holds = rule.kind is Kind.BAKE and rule.resource == "oven" and done.end is None
        return [replace(_as_it_was(task, done, product.now), phases=phases_of(product, rule) if holds else ())]
    found = _baked(product, rule, task) if rule.resource in ("oven", "machine") else [task]
    return [_in_one_go(t) for t in found]


def _as_it_was(task: Task, done: Done, now: float) -> Task:
    """A step that was begun: its length as it was, or from now on as it may be; of no hands any more but its last."""
    free = replace(task, hands_start=0.0, needs_mixer=False, early_cost=0.0)
    if done.end is not None:
        whole = max(0.0, CELL_MIN * round(done.end / CELL_MIN) - task.not_before)
        return replace(free, hands_end=0.0, late_cost=0.0, lengths=lasting(whole, whole, whole))
    so_far = CELL_MIN * math.ceil((now - task.not_before) / CELL_MIN)
    own = (task.lengths.low, task.lengths.typical, task.lengths.high)
    return replace(free, lengths=lasting(*(max(so_far, float(x.mean())) for x in own)))


def _in_one_go(task: Task) -> Task:
    """A task so short that somebody stays with it: hands for the whole of it, not twice."""
    shortest = float(task.lengths.low.min())
    cells = sum(math.ceil(m / CELL_MIN - 1e-9) for m in (task.hands_start, task.hands_end))
    if not task.lengths.is_fixed or CELL_MIN * cells <= shortest:
        return task
    both = task.hands_start > 0 and task.hands_end > 0
    return replace(
        task,
        hands_start=shortest if both else min(task.hands_start, shortest),
        hands_end=0.0 if both else min(task.hands_end, shortest),
    )


def _baked(product: Product, rule: StepRule, task: Task) -> list[Task]:
    """A bake: one task a phase, the first of which holds the oven for all of them."""
    if rule.resource == "machine":
        return [replace(task, phases=(OvenPhase(float(task.lengths.typical[0]), 0.0),), in_machine=True)]
    if rule.kind is not Kind.BAKE:
        return [task]  # what stays in the oven after its bake is counted to the bake
    phases = phases_of(product, rule)
    stays = _stays(product, rule)
    held = (*phases, OvenPhase(stays, phases[-1].oven_c)) if stays else phases
    first = replace(task, phases=held, heated_before=True, lengths=whole_cells(phases[0].minutes), hands_end=0.0)
    found = [first]
    for p in phases[1:]:
        found.append(
            replace(
                first,
                lengths=whole_cells(p.minutes),
                hands_start=TURN_MIN,
                phases=(),
                heated_before=False,
                not_before=0.0,
                not_after=math.inf,
                announced=None,
            )
        )
    return [*found[:-1], replace(found[-1], hands_end=rule.hands_end_min)]


def phases_of(product: Product, rule: StepRule) -> tuple[OvenPhase, ...]:
    """Return the phases of a bake: all, or the one that the step names. Raises BadInputError where there is none."""
    if rule.minutes_from == "template":
        assert rule.typical_min is not None  # the table's own minutes and °C
        assert rule.temp_c is not None
        return (OvenPhase(rule.typical_min, rule.temp_c),)
    phases = product.phases if rule.bake_phase is None else product.phases[rule.bake_phase - 1 : rule.bake_phase]
    if not phases:
        raise BadInputError(f"no bake is on record for {product.use}", right="plan a use with a bake of its own")
    return phases


def _stays(product: Product, rule: StepRule) -> float:
    """How long the oven is held after the bake, by a step that stays in it."""
    after = [r for r in product.rules if rule.step in r.after and r.resource == "oven" and r.kind is not Kind.BAKE]
    return sum(r.typical_min or 0.0 for r in after)


def _lengths(
    product: Product,
    rule: StepRule,
    kitchen: Kitchen,
    before: frozenset[str],
    states: States,
    cells: int,
    bother: Bother,
) -> tuple[Lengths, float, float]:
    """The lengths of a step, and what a minute under or over the typical one costs."""
    off = bother.off_min
    if rule.kind is Kind.BUILD:
        first = not any(r.kind is Kind.BUILD for r in product.rules[: product.rules.index(rule)])
        return of_build(product, kitchen, first), off, off
    if rule.step == "preferment":
        return of_preferment(product, rule, kitchen), off / 10, off / 10
    if rule.kind is Kind.FERMENT:
        state = states.get(rule.step, State(product.dough_c))
        lengths = of_rise(product, rule, kitchen, before, state, 0.0, cells)
        return lengths, *_unripe(targets_of(product, rule, kitchen, before, state, 0.0), lengths, bother)
    if rule.kind is Kind.COOL:
        return whole_cells(product.cool_min or 0.0), 0.0, 0.0
    if rule.kind is Kind.BAKE and rule.minutes_from != "template":
        return whole_cells(sum(p.minutes for p in phases_of(product, rule))), 0.0, 0.0
    if rule.kind in (Kind.HANDS, Kind.COOK, Kind.BAKE):
        return by_hand(rule), 0.0, 0.0
    return as_it_stands(rule), off, off


def _unripe(targets: Sequence[float], lengths: Lengths, bother: Bother) -> tuple[float, float]:
    """What a minute early or late costs, so that at the window's ends it comes to 60 a whole ripeness."""
    low, typical, high = (float(x.mean()) for x in (lengths.low, lengths.typical, lengths.high))
    early = bother.unripe * (targets[1] - targets[0]) / max(typical - low, 1.0)
    late = bother.unripe * (targets[2] - targets[1]) / max(high - typical, 1.0)
    return early, late


def _links(product: Product, rule: StepRule, parts: Mapping[str, tuple[int, ...]]) -> list[Link]:
    """What this step follows, and its own parts one after another without a gap."""
    named, done, now = {r.step: r for r in product.rules}, product.done, product.now
    own = parts[rule.step]
    found = [Link(a, b, 0.0, 0.0) for a, b in pairwise(own)]
    for name in rule.after:
        longest = max(rule.lag_high_min, named[name].can_wait_min)
        if name in done and rule.step in done:
            continue  # what was done was done as it was
        if name in done:
            ended = done[name].end
            late = 0.0 if ended is None else max(0.0, now - ended) + CELL_MIN
            found.append(Link(parts[name][-1], own[0], 0.0 if late else rule.lag_low_min, max(longest, late + longest)))
        else:
            found.append(Link(parts[name][-1], own[0], rule.lag_low_min, longest))
    return found
