"""Faults, causes and the evidence between them: `faults.csv`, `causes.csv`, `fault_evidence.csv`. Rules of thumb."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

SOMETHING_ELSE = 0.10  # of every fault's prior is kept for what the tables do not know
MOST_EVIDENCE = 2.0
LEVERS = ("practice", "schedule", "bake", "tin", "formula", "test", "blend")  # the cheaper first


@dataclass(frozen=True, slots=True)
class Fault:
    """What is seen: its name, the words people use, the moment it shows, where it belongs, severity 1–3."""

    fault: str
    name: str
    also_called: tuple[str, ...]
    moment: str
    where: tuple[str, ...]
    severity: float
    basis: str = ""


@dataclass(frozen=True, slots=True)
class Edit:
    """The change that a cause asks for: by which lever, on what, which operation and how much, in `unit`."""

    lever: str
    target: str
    op: str
    size: float
    unit: str


@dataclass(frozen=True, slots=True)
class Cause:
    """An explanation of a fault, what must hold for it to apply, and the change to try with what that costs."""

    cause: str
    name: str
    applies: frozenset[str]
    explanation: str
    change: str
    edit: Edit
    side_effect: str
    basis: str = ""


@dataclass(frozen=True, slots=True)
class Curve:
    """A weight (−2…2) over a quantity: straight between the points, flat outside."""

    quantity: str
    xs: tuple[float, ...]
    weights: tuple[float, ...]

    def weight(self, value: float) -> float:
        """Return the weight at `value` (in the quantity's unit).

        >>> Curve("core_delta", (-3, 0), (1.2, -0.5)).weight(-1.5)
        0.35
        """
        return round(float(np.interp(value, self.xs, self.weights)), 12)

    @property
    def spread(self) -> float:
        """How much it can tell: its highest weight less its lowest."""
        return max(self.weights) - min(self.weights)


Test = tuple[Curve, ...]  # the first whose quantity is known speaks


@dataclass(frozen=True, slots=True)
class Evidence:
    """What ties a cause to a fault: its prior, its tests, and a sentence with the numbers in it."""

    fault: str
    cause: str
    prior: float
    tests: tuple[Test, ...]
    say: str
    basis: str = ""

    @property
    def quantities(self) -> tuple[str, ...]:
        """Every quantity that its tests ask for."""
        return tuple(dict.fromkeys(c.quantity for test in self.tests for c in test))


@dataclass(frozen=True, slots=True)
class FaultTables:
    """Everything faults are ranked by, each by its name; `evidence` by fault."""

    faults: Mapping[str, Fault]
    causes: Mapping[str, Cause]
    evidence: Mapping[str, Sequence[Evidence]]


def tests_of(text: str) -> tuple[Test, ...]:
    """Return the tests that `text` states: `quantity x:w x:w`, `|` for the first that is known, `;` for one more.

    >>> tests_of("foamed 0:0.7 1:-2")[0][0].weights
    (0.7, -2.0)
    """
    return tuple(tuple(_curve(c) for c in test.split("|")) for test in text.split(";") if test.strip())


def _curve(text: str) -> Curve:
    name, *points = text.split()
    pairs = [tuple(float(v) for v in p.split(":")) for p in points]
    return Curve(name, tuple(x for x, _ in pairs), tuple(w for _, w in pairs))
