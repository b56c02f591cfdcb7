"""What may be said of gluten: a ladder of what is known, and a scheme's limit and its word on oats.

Rungs: 0 contains, 1 unknown, 2 declared, 3 tested lots, 4 this mix tested. Wording is offered from 2 on, where the sum
is within the limit, no part is a gluten cereal, no lot is held and the line was clean. Local law decides.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import IntEnum

from fallow_sieve.core.stock.budget import GlutenDraw, gluten_budget
from fallow_sieve.core.values import GLUTEN_LIMIT_MG_PER_KG

HOT_SPOTS = "A mean hides hot spots: one barley kernel in 1 kg is about 2 mg/kg on the mean, and all of it in one bake."


class Rung(IntEnum):
    """How surely the gluten of a mix is known."""

    CONTAINS = 0
    UNKNOWN = 1
    DECLARED = 2
    TESTED_LOTS = 3
    TESTED_MIX = 4


@dataclass(frozen=True, slots=True)
class GlutenScheme:
    """A scheme's wording, its limit (mg/kg; None: nothing detectable), whether the limit itself passes, and oats."""

    scheme: str
    wording: str
    limit_mg_per_kg: float | None
    at_limit_passes: bool
    oats_allowed: bool
    source: str
    note: str = ""


@dataclass(frozen=True, slots=True)
class GlutenPart:
    """A draw of a mix: its lot or ingredient, g, value (mg/kg, None unknown), whether tested, oats, gluten, held."""

    name: str
    mass_g: float
    mg_per_kg: float | None = None
    tested: bool = False
    oats: bool = False
    contains: bool = False
    held: bool = False


@dataclass(frozen=True, slots=True)
class MixTest:
    """A test of this mix: mg/kg ("below 5" is 5), by which method, limit of detection, the day, laboratory's number."""

    mg_per_kg: float
    method: str
    on: str
    detection_mg_per_kg: float | None = None
    laboratory: str = ""

    @property
    def none_detected(self) -> bool:
        """Whether the test found nothing that it can find."""
        return self.detection_mg_per_kg is not None and self.mg_per_kg <= self.detection_mg_per_kg


@dataclass(frozen=True, slots=True)
class GlutenTold:
    """The rung, the sum (mg/kg), the wording that is offered (None: none), and one line for each thing missing."""

    rung: Rung
    known_mg_per_kg: float
    wording: str | None
    missing: tuple[str, ...]
    needs_check: bool


def passes(value_mg_per_kg: float, scheme: GlutenScheme) -> bool:
    """Return whether a value (mg/kg) is within a scheme's limit; where nothing may be detectable no number passes.

    >>> passes(20.0, GlutenScheme("us", "Gluten-free", 20, False, True, ""))
    False
    """
    if scheme.limit_mg_per_kg is None:
        return False
    return value_mg_per_kg < scheme.limit_mg_per_kg or (
        scheme.at_limit_passes and value_mg_per_kg <= scheme.limit_mg_per_kg
    )


def wording_of(
    parts: Sequence[GlutenPart], scheme: GlutenScheme, test: MixTest | None = None, clean_line: bool = True
) -> GlutenTold:
    """Return on which rung a mix stands and what may be said of it by `scheme`."""
    budget = gluten_budget([GlutenDraw(p.name, p.mass_g, p.mg_per_kg, p.contains) for p in parts], _limit(scheme))
    rung = _rung(parts, test)
    value = test.mg_per_kg if test is not None else budget.known_mg_per_kg
    missing = [
        *_cereals(parts),
        *(f"{p.name} is held." for p in parts if p.held),
        *(["The line is not recorded clean since a gluten cereal."] if not clean_line else []),
        *_oats(parts, scheme),
        *_unknown(parts, budget.known_mg_per_kg, scheme, rung),
        *_over(value, scheme, rung, test),
    ]
    offered = rung >= Rung.DECLARED and not missing
    return GlutenTold(rung, value, scheme.wording if offered else None, tuple(missing), rung < Rung.TESTED_MIX)


def _limit(scheme: GlutenScheme) -> float:
    return scheme.limit_mg_per_kg if scheme.limit_mg_per_kg is not None else GLUTEN_LIMIT_MG_PER_KG


def _rung(parts: Sequence[GlutenPart], test: MixTest | None) -> Rung:
    if any(p.contains for p in parts) or not parts:
        return Rung.CONTAINS
    if test is not None:
        return Rung.TESTED_MIX
    if any(p.mg_per_kg is None for p in parts):
        return Rung.UNKNOWN
    return Rung.TESTED_LOTS if all(p.tested for p in parts) else Rung.DECLARED


def _cereals(parts: Sequence[GlutenPart]) -> list[str]:
    return [f"{p.name} is made from a gluten cereal." for p in parts if p.contains]


def _oats(parts: Sequence[GlutenPart], scheme: GlutenScheme) -> list[str]:
    if scheme.oats_allowed:
        return [
            f"{p.name}: oats of {p.mg_per_kg:g} mg/kg themselves."
            for p in parts
            if p.oats and p.mg_per_kg is not None and not passes(p.mg_per_kg, scheme)
        ]
    return [f"{p.name}: oats are never under this wording here." for p in parts if p.oats]


def _unknown(parts: Sequence[GlutenPart], known: float, scheme: GlutenScheme, rung: Rung) -> list[str]:
    if rung != Rung.UNKNOWN:
        return []
    total_g = sum(p.mass_g for p in parts)
    blank_g = sum(p.mass_g for p in parts if p.mg_per_kg is None)
    may = (_limit(scheme) - known) * total_g / blank_g
    tail = f" It could carry up to {may:.0f} mg/kg before the mix reaches {_limit(scheme):g}." if may > 0 else ""
    rows = [p for p in parts if p.mg_per_kg is None]
    if len(rows) == 1:
        return [f"{rows[0].name} has no test: {100 * blank_g / total_g:.1f} % of the mix.{tail}"]
    said = [f"{p.name} has no test: {100 * p.mass_g / total_g:.1f} % of the mix." for p in rows]
    return [*said, f"Together {100 * blank_g / total_g:.1f} % of the mix.{tail}"]


def _over(value: float, scheme: GlutenScheme, rung: Rung, test: MixTest | None) -> list[str]:
    if rung < Rung.DECLARED:
        return []
    if scheme.limit_mg_per_kg is None:
        clear = test is not None and test.none_detected
        return [] if clear else ["Only a test of this mix in which nothing is detectable allows the wording here."]
    if passes(value, scheme):
        return []
    how = "at most" if scheme.at_limit_passes else "less than"
    return [f"{value:.1f} mg/kg; the limit is {how} {scheme.limit_mg_per_kg:g}."]
