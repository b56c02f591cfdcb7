"""The kitchen's own priors: what its steps from one bake to the next taught about a fault and its causes.

Counts of a fault and cause begin at Beta(8 · prior, 8 · (1 − prior)): the table is worth eight bakes, a rule of thumb.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from enum import StrEnum

from fallow_sieve.core.trials.faults.tables import SOMETHING_ELSE, Evidence
from fallow_sieve.core.values import counted

WORTH_BAKES = 8.0
REPEATS_TO_SAY = 2


class Found(StrEnum):
    """How a fault was found at the bake after a change."""

    GONE = "gone"
    LESS = "less"
    SAME = "same or worse"
    NOT_LOOKED = "not looked"


@dataclass(frozen=True, slots=True)
class Step:
    """A step: one cause's change for a fault, how the fault was found after it, and how many things changed in all.

    `gone_alone` is the share of the `repeats` with nothing changed in which it was gone as well.
    """

    fault: str
    cause: str
    found: Found
    things_changed: int = 1
    gone_alone: float = 0.0
    repeats: int = 0


def found_after(before: float | None, after: float | None) -> Found:
    """Return how a fault of strength `before` (0–3) is found where it is `after`; None was not looked for.

    >>> found_after(2.0, 0.0).value, found_after(2.0, None).value
    ('gone', 'not looked')
    """
    if after is None or before is None:
        return Found.NOT_LOOKED
    if after <= 0:
        return Found.GONE
    return Found.LESS if after < before else Found.SAME


def own_priors(fault: str, rows: Sequence[Evidence], steps: Sequence[Step]) -> dict[str, float]:
    """Return the kitchen's prior of each cause of `fault`: the mean of its Beta, scaled to sum to 0.90 with the others.

    Without a step that was looked at, the table's own.
    """
    counts = {r.cause: [WORTH_BAKES * r.prior, WORTH_BAKES * (1 - r.prior)] for r in rows}
    for step in steps:
        if step.fault == fault and step.cause in counts and step.found is not Found.NOT_LOOKED:
            _count(counts[step.cause], step)
    means = {cause: a / (a + b) for cause, (a, b) in counts.items()}
    total = sum(means.values())
    return {cause: (1 - SOMETHING_ELSE) * mean / total for cause, mean in means.items()}


def _count(pair: list[float], step: Step) -> None:
    share = 1.0 / max(1, step.things_changed)
    if step.found is Found.GONE:
        pair[0] += share * (1 - step.gone_alone)
    elif step.found is Found.LESS:
        pair[0] += share / 2
        pair[1] += share / 2
    else:
        pair[1] += share


@dataclass(frozen=True, slots=True)
class Lessons:
    """What the kitchen's steps taught, by fault and cause: priors, and a sentence where a step was looked at."""

    priors: Mapping[str, Mapping[str, float]] = field(default_factory=dict)
    lines: Mapping[str, Mapping[str, str]] = field(default_factory=dict)


def lessons(evidence: Mapping[str, Sequence[Evidence]], steps: Sequence[Step]) -> Lessons:
    """Return what the steps taught of every fault that one was about."""
    priors = priors_by_fault(evidence, steps)
    lines = {
        fault: {r.cause: line for r in evidence[fault] if (line := _line(fault, r, own[r.cause], steps))}
        for fault, own in priors.items()
    }
    return Lessons(priors, lines)


def _line(fault: str, row: Evidence, own: float, steps: Sequence[Step]) -> str:
    count = taught(steps, fault, row.cause)
    if not count:
        return ""
    line = f"After {counted(count, 'step')} of yours: {row.prior:.2f} → {own:.2f}."
    repeats, share = max((s.repeats, s.gone_alone) for s in steps if s.fault == fault)
    if repeats < REPEATS_TO_SAY or not share:
        return line
    return f"{line} It was also gone in {round(share * repeats)} of {repeats} repeats with nothing changed."


def taught(steps: Sequence[Step], fault: str, cause: str) -> int:
    """Return how many steps that were looked at stand behind a kitchen's prior."""
    return sum(s.fault == fault and s.cause == cause and s.found is not Found.NOT_LOOKED for s in steps)


def priors_by_fault(evidence: Mapping[str, Sequence[Evidence]], steps: Sequence[Step]) -> dict[str, dict[str, float]]:
    """Return the kitchen's priors of every fault that a step was about."""
    return {f: own_priors(f, evidence[f], steps) for f in {s.fault for s in steps} if f in evidence}
