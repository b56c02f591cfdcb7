"""The numbers of an ingredient lie in layers: the library's table below, the kitchen's own on top.

table < own (typed or brought in) < label < measured. A number that is set aside is kept but does not count.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import TypeVar

from fallow_sieve.core.ingredients.ingredient import Fact

LAYERS = ("table", "own", "label", "measured")
# Numbers that an own layer may hold besides facts of composition and dough.
OWN_NUMBERS = ("price_per_kg", "gluten_mg_per_kg", "usual_max_pct")
NumberT = TypeVar("NumberT")


@dataclass(frozen=True, slots=True)
class Layered:
    """One number in one layer, and whether it is set aside."""

    layer: str
    fact: Fact
    aside: bool


def in_force(layers: Mapping[str, Mapping[str, NumberT]], is_aside: Callable[[NumberT], bool]) -> dict[str, NumberT]:
    """Return the numbers that count: of each name that of the highest layer in which it is not set aside."""
    found: dict[str, NumberT] = {}
    for layer in LAYERS:
        for name, number in layers.get(layer, {}).items():
            if not is_aside(number):
                found[name] = number
    return found


def bag_is_judged_against(table: float | None, others: Mapping[str, Fact], field: str) -> float | None:
    """Return the typical value that a measurement of `field` is judged against, in its unit; None where none is known.

    The table's, or else what `others` (every layer but the measured one) say: a bag is judged against other bags, not
    against itself.
    """
    if table is not None:
        return table
    now = others.get(field)
    return now.range.typical if now else None


def facts_alone(facts: Mapping[str, Fact]) -> dict[str, Fact]:
    """Return the facts of composition and dough, without the kitchen's own numbers besides."""
    return {n: f for n, f in facts.items() if n not in OWN_NUMBERS}
