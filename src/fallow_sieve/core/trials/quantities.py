"""What can be noted of a bake: measures, marks and other quantities, each with its unit, limits and spread.

Rows of `measures.csv` and `evidence_quantities.csv`; marks of faults are named `fault:` and the fault.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.values import BadInputError, UnknownNameError, shown

FAULT = "fault:"
MOST_STRENGTH = 3.0


class Moment(StrEnum):
    """When something is noted, in the order of the work."""

    MIXING = "mixing"
    RISING = "rising"
    OVEN = "oven"
    CUT = "cut"
    DAY = "day"


@dataclass(frozen=True, slots=True)
class Quantity:
    """One thing that can be noted: unit, limits, sd of one reading and from bake to bake, both in its unit.

    `prior_df` is how many bakes the table's spread counts for; `within` what may be compared with what; `ask` is the
    question on a sheet; `source` says what it is: measure, log, mark, analysis or kitchen; `also` are people's words.
    `rung` is a step of its ladder, in its unit or in % of what is planned; `words` stand for its values from the least.
    """

    name: str
    label: str
    moment: Moment
    unit: str
    how: str
    least: float
    most: float
    source: str = "measure"
    sd_reading: float | None = None
    sd_bake: float | None = None
    prior_df: float = 4.0
    within: str = "any"
    ask: str = ""
    basis: str = "rule of thumb"
    also: tuple[str, ...] = ()
    rung: str = ""
    words: tuple[str, ...] = ()

    @property
    def unit_shown(self) -> str:
        """The unit as it stands in a sentence; a scale of marks has none."""
        return "" if self.unit[:1] in "−0123456789" else f" {self.unit}"

    @property
    def is_yes_or_no(self) -> bool:
        """Whether it is there or not, and nothing between."""
        return self.unit == "0/1"


def fault_quantity(fault: str, label: str, moment: str, also: tuple[str, ...] = ()) -> Quantity:
    """Return a fault's mark as a quantity: 0 (looked, not there) to 3."""
    how = "0 looked, not there; 1 a little; 2 clearly; 3 all of it"
    at = Moment(moment)
    return Quantity(f"{FAULT}{fault}", label, at, "0–3", how, 0.0, MOST_STRENGTH, "mark", also=also)


def quantity_named(name: str, known: Mapping[str, Quantity], place: str = "") -> Quantity:
    """Return the quantity of that name. Raises UnknownNameError that suggests the nearest, in people's words too."""
    found = known.get(name)
    if found is not None:
        return found
    word = name.removeprefix(FAULT).replace("-", " ").strip().lower()
    meant = next((q.name for q in known.values() if word and any(word in w.lower() for w in q.also)), None)
    if meant is not None:
        raise BadInputError(f"unknown quantity {shown(name)}", place=place, right=f"did you mean {meant}?")
    raise UnknownNameError("quantity", name, known, place=place)


def check_value(quantity: Quantity, value: float, place: str = "") -> None:
    """Raise BadInputError unless `value` (in the quantity's unit) lies between its least and its most."""
    if not math.isfinite(value) or not quantity.least <= value <= quantity.most:
        unit = "" if quantity.is_yes_or_no else f" {quantity.unit}"
        raise BadInputError(
            f"{quantity.label.lower()} of {shown(value)}{unit}",
            place=place,
            right=f"it is from {quantity.least:g} to {quantity.most:g}{unit}",
        )


def by_name(rows: Iterable[Quantity]) -> dict[str, Quantity]:
    """Return the quantities by name; of two rows of one name the first holds, with the other's question."""
    found: dict[str, Quantity] = {}
    for row in rows:
        found.setdefault(row.name, row)
    return found
