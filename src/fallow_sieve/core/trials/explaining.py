"""How a measure of a bake came about, and how it would change: what it rests on, and how far the next limit is."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace

from fallow_sieve.core.trials.quantities import Quantity
from fallow_sieve.core.trials.seen import MeasureSeen, derived, measures_seen, taken_of
from fallow_sieve.core.trials.trial import Trial, TrialRules, noted
from fallow_sieve.core.values import Band, Status, UnknownNameError, probability_between

RESTS_ON = {
    "bake_loss_pct": ("mass_in_g", "mass_out_g"),
    "specific_volume_ml_g": ("volume_seed_ml", "volume_shape_ml", "mass_out_g"),
}
_LITTLE = 0.01


@dataclass(frozen=True, slots=True)
class Rest:
    """A reading that a measure rests on: its value, a little more of it, and by how much that moves the measure."""

    quantity: str
    label: str
    unit: str
    value: float
    step: float
    moves: float


@dataclass(frozen=True, slots=True)
class MeasureExplained:
    """A measure with its rule and the source of it, how it was taken, what it rests on, and how far its limits are.

    `rests` is empty for what was read and not worked out.
    """

    name: str
    label: str
    unit: str
    value: float
    sd: float | None
    rule: str
    basis: str
    how: str
    rests: tuple[Rest, ...]
    say: str


def measure_explained(trial: Trial, rules: TrialRules, name: str, arm: str = "") -> MeasureExplained:
    """Return how a measure of an arm came about. Raises UnknownNameError for one that the arm does not have."""
    seen = {m.name: m for m in measures_seen(trial, rules, arm)}
    if name not in seen:
        raise UnknownNameError("measure", name, seen)
    m, q = seen[name], rules.quantities[name]
    rests = tuple(_rests(trial, rules, m, arm))
    return MeasureExplained(
        name, m.label, m.unit, m.value, m.sd, q.how, q.basis, m.how, rests, limits_told(m, q.least, q.most)
    )


def _rests(trial: Trial, rules: TrialRules, seen: MeasureSeen, arm: str) -> Iterator[Rest]:
    """Each reading that a measure was worked out of, moved by a little while the others stay."""
    values, taken = noted(trial, arm), taken_of(trial, rules, arm)
    if seen.name in taken:
        return
    for name in RESTS_ON.get(seen.name, ()):
        if name not in values:
            continue
        step = little(values[name])
        more = values[name] + step
        moved = derived(
            {**taken, name: replace(taken[name], value=more)} if name in taken else taken, {**values, name: more}
        ).get(seen.name)
        if moved is not None and moved.value != seen.value:
            yield _rest(rules.quantities[name], values[name], step, moved.value - seen.value)


def _rest(q: Quantity, value: float, step: float, moves: float) -> Rest:
    return Rest(q.name, q.label, q.unit, value, step, moves)


def little(value: float) -> float:
    """Return a little of a value, in its unit: a hundredth, to one figure.

    >>> little(692.0), little(1066.0)
    (7.0, 10.0)
    """
    return float(f"{_LITTLE * abs(value) or 1.0:.0e}")


def limits_told(m: MeasureSeen, least: float = -math.inf, most: float = math.inf) -> str:
    """Return how far the next limit is in the measure's unit, and how surely it lies in the good band, in sentences.

    A limit at `least` or `most` of what can be noted, in the same unit, is none: nothing lies beyond it.
    """
    if m.band is None:
        return "No band is known for it: it is told, not judged."
    lows = [-math.inf if x <= least else x for x in m.band.limits[:2]]
    highs = [math.inf if x >= most else x for x in m.band.limits[2:]]
    band = Band(*lows, *highs)
    found = f"{_to_go(band, m.value)}."
    if m.sd:
        inside = probability_between(m.value, m.sd, m.sd, band.good_low, band.good_high)
        found += f" By its spread it lies inside the good band {100 * inside:.0f} times in 100."
    return found


def _to_go(band: Band, value: float) -> str:
    if band.status(value) is Status.PASS:
        off, word = min((value - band.good_low, "less"), (band.good_high - value, "more"))
        return f"{_amount(off)} {word} and it would be close" if math.isfinite(off) else "It passes, whatever it is"
    short = value < band.good_low
    good, hard = (band.good_low, band.hard_low) if short else (band.good_high, band.hard_high)
    back, on = ("more", "less") if short else ("less", "more")
    passes = f"{_amount(abs(good - value))} {back} and it would pass"
    if band.status(value) is Status.HELD:
        return passes if good == hard else f"{_amount(abs(hard - value))} {back} and it would be close, {passes}"
    return f"{passes}, {_amount(abs(hard - value))} {on} and it would be held" if math.isfinite(hard) else passes


def _amount(value: float) -> str:
    if value < 0.005:
        return "under 0.01"
    if value >= 20:
        return f"{value:.0f}"
    return f"{value:.{1 if value >= 2 else 2}f}".rstrip("0").rstrip(".")
