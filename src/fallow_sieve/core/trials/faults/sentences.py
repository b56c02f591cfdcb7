"""Evidence in sentences: the tables' own where every number in them is known, else the numbers by name."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from string import Formatter

from fallow_sieve.core.trials.faults.ranking import RankedCause, Ranking
from fallow_sieve.core.trials.faults.tables import Cause, Evidence, FaultTables, Test
from fallow_sieve.core.trials.quantities import Quantity

COMMON = "No number of this bake tells. What is common:"
_MINUS = str.maketrans("-", "−")
_PERCENT = re.compile(r"(\d)%")


@dataclass(frozen=True, slots=True)
class Said:
    """What speaks for a cause and against it, in sentences; and its explanation."""

    for_it: tuple[str, ...]
    against: tuple[str, ...]
    explanation: str


def told(
    cause: RankedCause, fault: str, facts: Mapping[str, float], tables: FaultTables, known: Mapping[str, Quantity]
) -> Said:
    """Return what this bake's `facts` (quantities in their units) say of a cause of `fault`."""
    row = next(r for r in tables.evidence[fault] if r.cause == cause.cause)
    speaks_for: list[str] = []
    against: list[str] = []
    for n, test in enumerate(row.tests):
        curve = next((c for c in test if c.quantity in facts), None)
        if curve is not None:
            weight = curve.weight(facts[curve.quantity])
            said = _sentence(row, n, test, curve.quantity, facts, known)
            (speaks_for if weight > 0 else against).append(said)
    return Said(tuple(speaks_for), tuple(against), tables.causes[cause.cause].explanation)


def _sentence(
    row: Evidence, n: int, test: Test, spoke: str, facts: Mapping[str, float], known: Mapping[str, Quantity]
) -> str:
    """The row's own sentence for the quantity it is about, else its name with value and unit."""
    named = [f for _, f, _, _ in Formatter().parse(row.say) if f]
    about = named or [row.tests[0][0].quantity]
    quantity = known.get(spoke)
    yes_or_no = quantity is not None and quantity.is_yes_or_no
    if spoke in about and all(q in facts for q in named) and not yes_or_no:
        return _PERCENT.sub(r"\1 %", row.say.format(**facts)).translate(_MINUS)
    return by_name(spoke, facts[spoke], known)


def by_name(quantity: str, value: float, known: Mapping[str, Quantity]) -> str:
    """Return a quantity with its value in words: "Tin greased: no." or "Core against target: −0.5 K."."""
    q = known.get(quantity)
    if q is None:
        return f"{quantity}: {value:g}.".translate(_MINUS)
    if q.is_yes_or_no:
        return f"{q.label}: {'yes' if value >= 0.5 else 'no'}."
    if q.words:
        return f"{q.label}: {q.words[max(0, min(len(q.words) - 1, round(value - q.least)))]}."
    if q.unit == "ratio":
        return f"{q.label}: {100 * value:.0f} %."
    return f"{q.label}: {value:.3g} {q.unit}.".translate(_MINUS)


def asks(ranking: Ranking, known: Mapping[str, Quantity]) -> str:
    """Return the question of what would tell most among that which a cook can say; empty where nothing would."""
    return next((known[q].ask for q, _ in ranking.tells_most if q in known and known[q].ask), "")


def against_line(ranking: Ranking, causes: Mapping[str, Cause]) -> str:
    """Return what the numbers speak against in one line: "Spoken against: core, binder load."; empty for nothing."""
    names = [causes[c.cause].name.lower() for c in ranking.spoken_against]
    return f"Spoken against: {', '.join(names)}." if names else ""
