"""A label panel: what a bag prints for its own serving, as ranges per 100 g, and whether it can be true.

What is printed was rounded, so it stands for a range: half a step of its last figure either side, or of the step
that the rules of the Americas round to (21 CFR 101.9(c)) where that is coarser. On a small serving the range per
100 g is wide, and that is shown. Carbohydrate holds fibre in one convention and not in the other.
"""

from __future__ import annotations

import math
import re
from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.ingredients.ingredient import Fact, Quality
from fallow_sieve.core.ingredients.plausible import HIGHEST
from fallow_sieve.core.values import BadInputError, Range, shown


class Convention(StrEnum):
    """Whether fibre is counted inside carbohydrate (as in the Americas) or apart (as in Europe)."""

    INSIDE = "inside"
    APART = "apart"


PRINTED = (
    "energy_kcal",
    "energy_kj",
    "fat_g",
    "saturated_fat_g",
    "carbohydrate_g",
    "sugars_g",
    "fibre_g",
    "protein_g",
    "salt_g",
    "sodium_mg",
    "calcium_mg",
    "iron_mg",
    "potassium_mg",
)


@dataclass(frozen=True, slots=True)
class Panel:
    """A panel as printed: texts by nutrient (blank or absent: unknown), convention, and the serving.

    The serving is `serving_g` g or `serving_ml` mL or both; with both, the bag states its own density.
    """

    printed: Mapping[str, str]
    convention: Convention
    serving_g: float | None = None
    serving_ml: float | None = None


@dataclass(frozen=True, slots=True)
class SoFar:
    """What is taken of the ingredient without this label: ranges per 100 g, and its density in g/mL."""

    ranges: Mapping[str, Range]

    def of(self, name: str) -> Range | None:
        """Return the range of a number in its unit, or None where it is unknown."""
        return self.ranges.get(name)


@dataclass(frozen=True, slots=True)
class Per100G:
    """One printed number: as printed, the range it stands for on the serving and per 100 g, in its own unit."""

    name: str
    printed: str
    on_serving: Range
    per_100_g: Range

    @property
    def half_width(self) -> float:
        """Half of the width per 100 g, in the number's unit."""
        return (self.per_100_g.high - self.per_100_g.low) / 2


@dataclass(frozen=True, slots=True)
class LabelReading:
    """What a panel gives: its numbers per 100 g, the serving's mass (g), and the density (g/mL) or None."""

    numbers: dict[str, Per100G]
    serving_g: Range
    density: Range | None
    convention: Convention


_PRINTED_PATTERN = re.compile(r"(<|≤|less than)?\s*(\d{1,6})(?:[.,](\d{1,4}))?\s*(g|mg|kcal|kj)?")
_IN_MG = {"g": 1000.0, "mg": 1.0}


def printed_range(text: str, name: str, convention: Convention) -> Range:
    """Return what a printed number stands for, in the unit of `name`. Raises BadInputError where it is none.

    A number may carry its own unit, such as "0.2 g" for sodium.

    >>> printed_range("1", "protein_g", Convention.APART)
    Range(low=0.5, typical=1.0, high=1.5)
    >>> printed_range("<1", "fibre_g", Convention.INSIDE)
    Range(low=0.0, typical=0.5, high=1.0)
    """
    match = _PRINTED_PATTERN.fullmatch(text.strip().lower())
    if match is None:
        raise BadInputError(f"cannot read {shown(text)}", right="a number as it is printed, such as 1.5, 0 or <1")
    below, whole, decimals, unit = match.groups()
    factor = _unit_factor(unit, name.rsplit("_", 1)[1])
    value = float(f"{whole}.{decimals or 0}")
    if value == 0 and not decimals and convention is Convention.INSIDE and name in _PRINTED_ZERO:
        return Range(0.0, 0.0, _PRINTED_ZERO[name])
    if below:
        return Range(0.0, value * factor / 2, value * factor)
    half = (
        rounding_step(value, len(decimals or ""), name, convention) / 2
        if factor == 1
        else 0.5 * 10.0 ** -len(decimals or "")
    )
    return Range(max(0.0, value - half) * factor, value * factor, (value + half) * factor)


def _unit_factor(unit: str | None, wanted: str) -> float:
    """By what a number printed in `unit` is multiplied; what was rounded stays as coarse as it was printed."""
    if unit is None or unit == wanted:
        return 1.0
    if unit in _IN_MG and wanted in _IN_MG:
        return _IN_MG[unit] / _IN_MG[wanted]
    raise BadInputError(f"{unit} where {wanted} is printed", right=f"give it in {wanted}")


def rounding_step(value: float, decimals: int, name: str, convention: Convention) -> float:
    """Return the step that `value` (in its unit) was rounded to, by its `decimals` and the rules of the Americas."""
    by_figure: float = 10.0**-decimals
    coarse = _american_step(value, decimals, name) if convention is Convention.INSIDE else 0.0
    fits = coarse > by_figure and math.isclose(value / coarse, round(value / coarse), abs_tol=1e-9)
    return coarse if fits else by_figure


def _american_step(value: float, decimals: int, name: str) -> float:
    """Energy to 5 kcal below 50, then 10; sodium 5 mg below 140, then 10; fat 0.5 g below 5; calcium 10 mg."""
    if name == "energy_kcal" and not decimals:
        return 5.0 if value < 50 else 10.0
    if name == "sodium_mg" and not decimals:
        return 5.0 if value < 140 else 10.0
    if name in ("calcium_mg", "potassium_mg") and not decimals:
        return 10.0
    return 0.5 if name in ("fat_g", "saturated_fat_g") and value < 5 else 0.0


# What may be printed as nothing in the Americas: under so much of a serving (21 CFR 101.9(c); minerals: 2 % of a day).
_PRINTED_ZERO = {
    "energy_kcal": 5.0,
    "sodium_mg": 5.0,
    "fat_g": 0.5,
    "saturated_fat_g": 0.5,
    "carbohydrate_g": 0.5,
    "fibre_g": 0.5,
    "sugars_g": 0.5,
    "protein_g": 0.5,
    "calcium_mg": 26.0,
    "potassium_mg": 94.0,
    "iron_mg": 0.36,
}


def read_panel(panel: Panel, so_far: SoFar) -> LabelReading:
    """Return what `panel` gives per 100 g. Raises BadInputError naming the field that cannot be read.

    A serving by volume alone is weighed with the density of `so_far`, whose range widens every number.
    """
    serving = _serving(panel, so_far)
    numbers = {}
    for name in PRINTED:
        text = panel.printed.get(name, "")
        if text.strip():
            numbers[name] = _number(name, text, panel.convention, serving)
    return LabelReading(numbers, serving, _density(panel, so_far), panel.convention)


def _number(name: str, text: str, convention: Convention, serving: Range) -> Per100G:
    try:
        found = printed_range(text, name, convention)
    except BadInputError as error:
        raise error.at(f"/printed/{name}") from error
    per_100 = Range(
        100 * found.low / serving.high, 100 * found.typical / serving.typical, 100 * found.high / serving.low
    )
    return Per100G(name, text.strip(), found, per_100)


MOST_SERVING_G = 2000.0


def _serving(panel: Panel, so_far: SoFar) -> Range:
    for value, name in ((panel.serving_g, "serving_g"), (panel.serving_ml, "serving_ml")):
        if value is not None and not 0 < value <= MOST_SERVING_G:
            raise BadInputError(
                f"a serving of {value:g}", place=f"/{name}", right=f"over 0, at most {MOST_SERVING_G:g}"
            )
    if panel.serving_g is not None:
        return Range(panel.serving_g, panel.serving_g, panel.serving_g)
    bulk = so_far.of("density_g_per_ml")
    if panel.serving_ml is None or bulk is None:
        raise BadInputError(
            "how much a serving weighs is not known",
            place="/serving_g",
            right="give the grams that the bag states, or weigh a serving",
        )
    return Range(bulk.low * panel.serving_ml, bulk.typical * panel.serving_ml, bulk.high * panel.serving_ml)


# A label does not say how the cup was filled: the usual spread is kept around its own figure.
_UNSAID_FILLING = 0.15


def _density(panel: Panel, so_far: SoFar) -> Range | None:
    if panel.serving_g is None or panel.serving_ml is None:
        return None
    stated, bulk = panel.serving_g / panel.serving_ml, so_far.of("density_g_per_ml")
    if not 0.05 <= stated <= 3.0:
        return None
    below, above = (
        (bulk.low / bulk.typical, bulk.high / bulk.typical) if bulk else (1 - _UNSAID_FILLING, 1 + _UNSAID_FILLING)
    )
    return Range(stated * below, stated, min(3.0, stated * above))


def facts_of(reading: LabelReading, so_far: SoFar, source: str, noted_on: str) -> dict[str, Fact]:
    """Return what a label gives as facts (per 100 g), read on the ISO date `noted_on`.

    Carbohydrate is stored with its fibre: where the label counts it apart, its fibre is added, or what is taken so
    far where the label has none. Starch follows by difference where sugars and fibre are printed.
    """
    ranges = {name: n.per_100_g for name, n in reading.numbers.items()}
    facts = {name: Fact(r, Quality.LABEL, source, noted_on) for name, r in ranges.items() if name != "carbohydrate_g"}
    printed, fibre = ranges.get("carbohydrate_g"), ranges.get("fibre_g") or so_far.of("fibre_g")
    if printed is not None and reading.convention is Convention.INSIDE:
        facts["carbohydrate_g"] = Fact(printed, Quality.LABEL, source, noted_on)
    elif printed is not None and fibre is not None:
        whole = _sum(printed, fibre)
        own = "fibre_g" in ranges
        said = f"{source}, with its fibre" if own else f"{source}, with the fibre taken so far"
        facts["carbohydrate_g"] = Fact(whole, Quality.LABEL, said, noted_on)
    if "carbohydrate_g" in facts and "fibre_g" in ranges and "sugars_g" in ranges:
        starch = _less(facts["carbohydrate_g"].range, _sum(ranges["fibre_g"], ranges["sugars_g"]))
        facts["starch_g"] = Fact(starch, Quality.BY_DIFFERENCE, f"{source}, by difference", noted_on)
    if reading.density is not None:
        said = f"{source}: the serving's grams and volume"
        facts["density_g_per_ml"] = Fact(reading.density, Quality.LABEL, said, noted_on)
    return {name: Fact(_cut(f.range, HIGHEST[name]), f.quality, f.source, f.noted_on) for name, f in facts.items()}


def _sum(a: Range, b: Range) -> Range:
    return Range(a.low + b.low, a.typical + b.typical, a.high + b.high)


def _less(a: Range, b: Range) -> Range:
    typical = max(0.0, a.typical - b.typical)
    return Range(max(0.0, min(typical, a.low - b.high)), typical, max(typical, a.high - b.low))


def _cut(r: Range, highest: float) -> Range:
    return Range(min(r.low, highest), min(r.typical, highest), min(r.high, highest))
