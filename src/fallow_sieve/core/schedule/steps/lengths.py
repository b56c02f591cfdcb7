"""How long a step takes (minutes, on the grid): as the table says, as its dough ripens, as its leaven peaks."""

from __future__ import annotations

import math

import numpy as np

from fallow_sieve.core.schedule.leaven.builds import peak_hours
from fallow_sieve.core.schedule.planner.problem import CELL_MIN, Lengths, lasting
from fallow_sieve.core.schedule.ripening.organism import TRUSTED_AMOUNTS, Organism
from fallow_sieve.core.schedule.ripening.path import RIPE, Path
from fallow_sieve.core.schedule.steps.dough import Kitchen, State, run_of, way
from fallow_sieve.core.schedule.steps.places import BENCH
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.rules import Kind, StepRule
from fallow_sieve.core.values import BadInputError

LONGEST_RISE_MIN = 96 * 60.0
_LEFT_TO_FINISH = 0.5  # of the way, that a rise after a chill is to have left
_EVENING_H = 12.0  # a preferment's usual night


def by_hand(rule: StepRule) -> Lengths:
    """Return the one length of a step that somebody does: its typical minutes, on the grid where they allow it."""
    low, typical, high = _minutes(rule)
    near = CELL_MIN * max(1, round(typical / CELL_MIN))
    minutes = near if low <= near <= high else CELL_MIN * math.ceil(typical / CELL_MIN)
    return lasting(minutes, minutes, minutes)


def as_it_stands(rule: StepRule) -> Lengths:
    """Return the lengths of a step that needs nobody, as the table has them."""
    return lasting(*_minutes(rule))


def _minutes(rule: StepRule) -> tuple[float, float, float]:
    assert rule.low_min is not None  # the table gives all three, or none where they come from elsewhere
    assert rule.typical_min is not None
    assert rule.high_min is not None
    return rule.low_min, rule.typical_min, rule.high_min


def whole_cells(minutes: float) -> Lengths:
    """Return one length, rounded up to the grid."""
    up = CELL_MIN * math.ceil(minutes / CELL_MIN - 1e-9)
    return lasting(up, up, up)


def of_build(product: Product, kitchen: Kitchen, first: bool) -> Lengths:
    """Return when a leaven's build may be used, from the time of its peak; the first wakes slowly after the fridge."""
    starter, room_c = product.starter, kitchen.climate.temp_at(BENCH, None, 0.0)
    days = product.rest_days if first else 0.0
    peak = 60 * product.leaven_pace * peak_hours(starter.ratio.dilution, room_c, starter, days)
    return lasting(peak * starter.window_low, peak, peak * starter.window_high)


def of_preferment(product: Product, rule: StepRule, kitchen: Kitchen) -> Lengths:
    """Return how long a preferment may stand: its yeast is chosen for the hours, as far as that rule is trusted."""
    assert rule.ref_hours is not None
    speed = float(product.organism.speed(kitchen.climate.temp_at(BENCH, None, 0.0)))
    if speed <= 0:
        raise BadInputError("a preferment in so cold a room", place="/kitchen/room_c", right="over 3 °C")
    least, most = (
        60 * rule.ref_hours / speed / amount**product.organism.amount_exponent for amount in reversed(TRUSTED_AMOUNTS)
    )
    return lasting(least, min(max(60 * _EVENING_H, least), most), most)


def of_rise(
    product: Product, rule: StepRule, kitchen: Kitchen, before: frozenset[str], state: State, begin: float, cells: int
) -> Lengths:
    """Return how long a rise takes from `state`, by the cell it begins in where the room follows the day.

    Raises BadInputError where it never gets there.
    """
    targets = targets_of(product, rule, kitchen, before, state, begin)
    if not kitchen.climate.varies:
        found = _times(product, rule, kitchen, before, state, begin, targets)
        return lasting(*found)
    every = range(0, cells + 3, 3)
    table = np.array([_times(product, rule, kitchen, before, state, CELL_MIN * c, targets) for c in every])
    fine = np.arange(cells + 1)
    low, typical, high = (np.interp(fine, np.array(every), table[:, n]) for n in range(3))
    return Lengths(low, typical, high)


def _times(
    product: Product,
    rule: StepRule,
    kitchen: Kitchen,
    before: frozenset[str],
    state: State,
    begin: float,
    targets: tuple[float, float, float],
) -> tuple[float, float, float]:
    """The minutes until each target is reached, from `begin`."""
    longest = 8 * 60.0
    while True:
        path = way(product, kitchen, rule, before, state, begin, longest)
        if path.end_ripeness >= targets[2] or longest >= LONGEST_RISE_MIN:
            break
        longest = min(LONGEST_RISE_MIN, 4 * longest)
    low, typical, high = (_minutes_to(path, t) for t in targets)
    if typical is None or low is None:
        right = "warm the place, or take more yeast or leaven"
        raise BadInputError(f"{rule.step} of {product.name} would not be ripe in four days", right=right)
    return low, typical, high if high is not None else typical


def _minutes_to(path: Path, ripeness: float) -> float | None:
    hours = path.reaches(ripeness)
    return None if hours is None else 60 * hours


def targets_of(
    product: Product, rule: StepRule, kitchen: Kitchen, before: frozenset[str], state: State, begin: float
) -> tuple[float, float, float]:
    """Return the ripeness at which a rise may end: from, best, to. One before a chill ends early, for the cold adds."""
    organism: Organism = product.ferments_with(rule)
    low, high = organism.window_low, organism.window_high
    rim = product.rim.get(rule.step)
    top = high if rim is None else min(high, rim)
    run = run_of(product.rules, rule)
    chill = next((r for r in run[_at(run, rule) + 1 :] if r.kind is Kind.CHILL), None)
    if chill is None:
        return low, min(RIPE, top), top
    later = any(r.kind is Kind.FERMENT for r in run[_at(run, chill) + 1 :])
    wanted = RIPE - (_LEFT_TO_FINISH if later else 0.0)
    best = max(0.0, wanted - _added(product, chill, kitchen, before | {rule.step}, state, begin))
    return max(0.0, best - (RIPE - low)), best, best + (top - RIPE)


def _at(run: tuple[StepRule, ...], rule: StepRule) -> int:
    return [r.step for r in run].index(rule.step)


def _added(
    product: Product, chill: StepRule, kitchen: Kitchen, before: frozenset[str], state: State, begin: float
) -> float:
    """What the cold adds to the ripeness of a dough that goes into it as warm as it is."""
    assert chill.typical_min is not None
    return way(product, kitchen, chill, before, State(state.temp_c), begin, chill.typical_min).end_ripeness
