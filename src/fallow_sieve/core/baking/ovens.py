"""Oven temperatures as people write them: °C, °F, gas marks, with or without a fan.

Inside it is °C of a conventional oven; a fan oven is set 20 K lower for the same bake. Gas marks come from a table.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise

from fallow_sieve.core.values import QuantityError, celsius_from_fahrenheit, fahrenheit_from_celsius, shown

FAN_K = 20.0
LOWEST_C, HIGHEST_C = 50.0, 500.0
# A °C and a °F that differ by more than this are not the same setting.
PAIR_TOLERANCE_K = 8.0


@dataclass(frozen=True, slots=True)
class GasMark:
    """A gas mark and its oven temperature, °C."""

    mark: float
    oven_c: float


@dataclass(frozen=True, slots=True)
class OvenSetting:
    """A bake's temperature on every oven: conventional and fan in °C and °F (to 5 °), and the nearest gas mark.

    `exact_c` is °C of a conventional oven before any rounding; `gas_mark` is None outside the table.
    """

    exact_c: float
    conventional_c: int
    conventional_f: int
    fan_c: int
    fan_f: int
    gas_mark: float | None


_PATTERN = re.compile(
    r"(?:gas\s*(?:mark)?\s*(?P<gas>\d+(?:[./]\d+)?|[¼½])|(?P<value>\d{2,3}(?:\.\d+)?)\s*°?\s*(?P<unit>[CF]))"
    r"(?P<fan>\s*-?\s*fan)?",
    re.IGNORECASE,
)
_PARTS = {"¼": 0.25, "½": 0.5, "1/4": 0.25, "1/2": 0.5}


def parse_oven(text: str, marks: Sequence[GasMark], place: str = "") -> OvenSetting:
    """Return the setting that `text` names: `350F`, `180C`, `gas4`, `160C-fan`. Raises QuantityError.

    >>> parse_oven("160C-fan", ()).conventional_c
    180
    """
    match = _PATTERN.fullmatch(text.strip())
    if match is None:
        raise QuantityError(
            f"cannot read the oven temperature {shown(text)}", place=place, right="give 180C, 350F, gas4 or 160C-fan"
        )
    if match["gas"]:
        mark = _PARTS.get(match["gas"]) or _number(match["gas"])
        return setting(gas_to_c(mark, marks, place), marks)
    value = float(match["value"])
    temp_c = value if match["unit"].upper() == "C" else celsius_from_fahrenheit(value)
    if match["fan"]:
        temp_c += FAN_K
    if not LOWEST_C <= temp_c <= HIGHEST_C:
        raise QuantityError(f"an oven at {shown(text)}", place=place, right="an oven is between 50 and 500 °C")
    return setting(temp_c, marks)


def _number(text: str) -> float:
    return float(text) if "/" not in text else float("nan")


def gas_to_c(mark: float, marks: Sequence[GasMark], place: str = "") -> float:
    """Return the °C of a gas mark. Raises QuantityError naming the marks there are."""
    found = next((m for m in marks if m.mark == mark), None)
    if found is None:
        known = ", ".join(f"{m.mark:g}" for m in marks)
        raise QuantityError(f"there is no gas mark {mark:g}", place=place, right=f"one of {known}")
    return found.oven_c


def setting(temp_c: float, marks: Sequence[GasMark]) -> OvenSetting:
    """Return a conventional oven's `temp_c` (°C) as it is set on every oven."""
    return _setting(temp_c, tuple(marks))


@lru_cache(maxsize=512)
def _setting(temp_c: float, marks: tuple[GasMark, ...]) -> OvenSetting:
    nearest = min(marks, key=lambda m: abs(m.oven_c - temp_c), default=None)
    in_table = nearest is not None and abs(nearest.oven_c - temp_c) <= 12
    return OvenSetting(
        exact_c=temp_c,
        conventional_c=_to_five(temp_c),
        conventional_f=_to_five(fahrenheit_from_celsius(temp_c)),
        fan_c=_to_five(temp_c - FAN_K),
        fan_f=_to_five(fahrenheit_from_celsius(temp_c - FAN_K)),
        gas_mark=nearest.mark if nearest and in_table else None,
    )


def _to_five(value: float) -> int:
    return int(5 * round(value / 5))


def in_words(oven: OvenSetting, unit: str) -> str:
    """Return a setting in one line, the kitchen's unit (`c` or `f`) first: "180 °C, fan 160 °C, 355 °F, gas 4"."""
    c, f = f"{oven.conventional_c} °C, fan {oven.fan_c} °C", f"{oven.conventional_f} °F, fan {oven.fan_f} °F"
    gas = f", gas {_gas(oven.gas_mark)}" if oven.gas_mark is not None else ""
    return f"{c}, {oven.conventional_f} °F{gas}" if unit == "c" else f"{f}, {oven.conventional_c} °C{gas}"


def _gas(mark: float) -> str:
    return {0.25: "¼", 0.5: "½"}.get(mark, f"{mark:g}")


@dataclass(frozen=True, slots=True)
class OvenMention:
    """An oven temperature in the text: where (line and column, from 1), as written, its number and unit, with fan."""

    line: int
    column: int
    text: str
    value: float
    unit: str
    fan: bool


@dataclass(frozen=True, slots=True)
class OvenClash:
    """Two oven temperatures side by side that are not one setting, or a gas mark that is none: where, and what."""

    line: int
    column: int
    say: str


_OVEN = re.compile(
    r"(?P<fan1>fan\s*(?:oven)?\s*)?(?P<value>\d{2,3})\s*(?:°\s*|degrees?\s*)?(?P<unit>[CF])\b(?P<fan2>\s*[-(]?\s*fan\b(?!\s*(?:oven\s*)?\d))?"
    r"|gas\s*(?:mark)?\s*(?P<gas>1/2|1/4|\d{1,2}|½|¼)",
    re.IGNORECASE,
)


def oven_mentions(row: str, number: int) -> list[OvenMention]:
    """Return the oven temperatures (°C, °F, gas marks) in one line of text, in their order."""
    found = []
    for match in _OVEN.finditer(row):
        if match["gas"]:
            value = {"½": 0.5, "¼": 0.25, "1/2": 0.5, "1/4": 0.25}.get(match["gas"]) or float(match["gas"])
            found.append(OvenMention(number, match.start() + 1, match.group().strip(), value, "gas", False))
        else:
            fan = bool(match["fan1"] or match["fan2"])
            value, unit = float(match["value"]), match["unit"].lower()
            found.append(OvenMention(number, match.start() + 1, match.group().strip(), value, unit, fan))
    return found


def oven_clashes(mentions: Sequence[OvenMention], marks: Sequence[GasMark]) -> tuple[OvenClash, ...]:
    """Return where temperatures that stand together (°C, °F, gas) differ by more than 8 K, fan ovens 20 K lower."""
    found = [
        OvenClash(m.line, m.column, f"There is no gas mark {m.value:g}.")
        for m in mentions
        if m.unit == "gas" and mention_c(m, marks) is None
    ]
    for first, second in pairwise(mentions):
        apart = first.line != second.line or second.column - first.column > _TOGETHER
        a, b = mention_c(first, marks), mention_c(second, marks)
        if apart or a is None or b is None or (first.unit, first.fan) == (second.unit, second.fan):
            continue
        if abs(a - b) > PAIR_TOLERANCE_K:
            fan = " (a fan oven is set 20 K lower)" if first.fan != second.fan else ""
            say = f"{first.text} and {second.text} are not the same: {a:.0f} °C and {b:.0f} °C{fan}. Which is meant?"
            found.append(OvenClash(first.line, first.column, say))
    return tuple(found)


_TOGETHER = 40  # characters between two temperatures of one setting


def mention_c(m: OvenMention, marks: Sequence[GasMark]) -> float | None:
    """Return the °C of a conventional oven that is meant; None for a gas mark that is none."""
    if m.unit == "gas":
        return next((g.oven_c for g in marks if g.mark == m.value), None)
    temp = m.value if m.unit == "c" else celsius_from_fahrenheit(m.value)
    return temp + FAN_K if m.fan else temp
