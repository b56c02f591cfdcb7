"""What the labels of dry mixes can say: the most of a function that anybody puts into one."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.ingredients import Function
from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class LabelCapRow:
    """The most of a function in a dry mix (%), a rule of thumb, and why."""

    function: str
    most_pct: float
    why: str


@cache
def label_caps() -> dict[Function, float]:
    """Return the most of a function in a dry mix, in % of it."""
    return {Function(r.function): r.most_pct for r in read_table("label_caps", LabelCapRow)}
