"""A dough's way through the steps of a plan: how warm and how ripe it is when each begins and ends.

It is followed from the end of its mixing, minute by minute. Ripeness is counted from the first of a run of rises and
chills, and anew after hands have worked it.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.schedule.planner.problem import Timed
from fallow_sieve.core.schedule.ripening.bodies import Container, Leg
from fallow_sieve.core.schedule.ripening.path import Dough, Path, ripen
from fallow_sieve.core.schedule.steps.places import Climate, container_of, place_of
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.rules import Kind, StepRule

MIXES = ("mix", "beat-egg", "load", "cook-paste")
_ENDS_DOUGH = frozenset({Kind.BAKE, Kind.COOK, Kind.COOL})
RISES = frozenset({Kind.FERMENT, Kind.CHILL})


@dataclass(frozen=True, slots=True)
class State:
    """How a dough is at an instant: °C, and how ripe."""

    temp_c: float
    ripeness: float = 0.0


@dataclass(frozen=True, slots=True)
class Stay:
    """A dough at one step: how it came in and went out, and its way in between (None: it took no time)."""

    begin: State
    end: State
    path: Path | None


@dataclass(frozen=True, slots=True)
class Kitchen:
    """What a dough stands in and what is round it."""

    climate: Climate
    containers: Mapping[str, Container]


def dough_steps(rules: Sequence[StepRule]) -> tuple[StepRule, ...]:
    """Return the steps that a mixed dough goes through before it is baked, in their order."""
    mixed = next((n for n, r in enumerate(rules) if r.step in MIXES), None)
    if mixed is None:
        return ()
    after = rules[mixed + 1 :]
    end = next((n for n, r in enumerate(after) if r.kind in _ENDS_DOUGH), len(after))
    return tuple(r for r in after[:end] if r.kind is not Kind.BUILD and r.step != "keep-back")


def hours_for(product: Product, rule: StepRule) -> float:
    """Return the hours at 26 °C that a rise of `product` takes, with its own yeast and what was learnt."""
    assert rule.ref_hours is not None  # every rise has them
    return rule.ref_hours / product.speed * product.pace * product.paces.get(rule.step, 1.0)


def follow(product: Product, kitchen: Kitchen, times: Mapping[str, Timed]) -> dict[str, Stay]:
    """Return how the dough is at each of its steps, by the `times` (minutes) of the steps and of its mixing."""
    steps = dough_steps(product.rules)
    mixing = next((r.step for r in product.rules if r.step in MIXES), None)
    if mixing is None or mixing not in times:
        return {}
    state, at, found = State(product.dough_c), times[mixing].end, {}
    before, last = frozenset({mixing}), None
    for rule in steps:
        if last is not None and times[rule.step].begin > at:
            waited = stay(product, kitchen, last, before, state, at, times[rule.step].begin - at)
            state = State(waited.end.temp_c, waited.end.ripeness)
        if rule.kind not in RISES or last is None or last.kind not in RISES:
            state = State(state.temp_c)
        held = stay(product, kitchen, rule, before, state, times[rule.step].begin, _minutes(times[rule.step]))
        found[rule.step] = held
        state, at, last, before = held.end, times[rule.step].end, rule, before | {rule.step}
    return found


def _minutes(t: Timed) -> float:
    return t.end - t.begin


def stay(
    product: Product,
    kitchen: Kitchen,
    rule: StepRule,
    before: frozenset[str],
    state: State,
    begin: float,
    minutes: float,
) -> Stay:
    """Return how the dough comes out of `minutes` at a step that begins at the minute `begin`."""
    if minutes <= 0:
        return Stay(state, state, None)
    path = way(product, kitchen, rule, before, state, begin, minutes)
    return Stay(state, State(path.end_c, path.end_ripeness), path)


def way(
    product: Product,
    kitchen: Kitchen,
    rule: StepRule,
    before: frozenset[str],
    state: State,
    begin: float,
    minutes: float,
) -> Path:
    """Return the dough's way for `minutes` at a step; where the step is no rise, by the next rise's hours."""
    container, in_pieces = container_of(rule, before, product.use, kitchen.containers)
    tau = container.tau_h(product.piece_g if in_pieces else product.dough_g)
    around = kitchen.climate.around(place_of(rule, kitchen.climate), rule.temp_c, begin)
    rise = _rise_of(product, rule)
    hours = hours_for(product, rise) if rise else 1e9
    organism = product.ferments_with(rise) if rise else product.organism
    return ripen(Dough(organism, hours, state.temp_c, state.ripeness), [Leg(minutes / 60, around, tau)])


def _rise_of(product: Product, rule: StepRule) -> StepRule | None:
    """The rise that a step belongs to: itself, or for a chill the rise beside it in one run; else None."""
    if rule.kind is Kind.FERMENT:
        return rule
    if rule.kind is not Kind.CHILL:
        return None
    run = run_of(product.rules, rule)
    return next((r for r in run if r.kind is Kind.FERMENT), None)


def run_of(rules: Sequence[StepRule], rule: StepRule) -> tuple[StepRule, ...]:
    """Return the run of rises and chills that `rule` stands in: what follows one another without hands between."""
    steps = dough_steps(rules)
    names = [r.step for r in steps]
    if rule.step not in names:
        return (rule,)
    at = names.index(rule.step)
    low = high = at
    while low > 0 and steps[low - 1].kind in RISES:
        low -= 1
    while high + 1 < len(steps) and steps[high + 1].kind in RISES:
        high += 1
    return steps[low : high + 1]
