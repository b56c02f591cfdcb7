"""What `scale --json` and `temperature --json` print."""

from __future__ import annotations

from typing import Any

from fallow_sieve.core.baking import OvenSetting
from fallow_sieve.core.formulas import Eggs, Filling, Rounded, Scaled
from fallow_sieve.formats.formulas.file import FormulaFile
from fallow_sieve.formats.shared import Out


class TinOut(Out):
    """Dough in tins: one tin's volume, dough in each, fill and risen volume as shares of the tin."""

    volume_ml: float
    each_g: float
    fill: float
    risen: float
    warning: str


class EggsOut(Out):
    """The eggs of the scaled formula, and what to do about a part of one."""

    count: float
    whole: int
    say: str


class ScaleAnswer(Out):
    """The answer of `fallow-sieve scale --json`: the scaled formula, and the same rounded to the scale's step."""

    factor: float
    dough_g: float
    say: str
    formula: FormulaFile
    rounded: FormulaFile
    moved_pct: float
    too_fine: list[str]
    tin: TinOut | None
    eggs: EggsOut | None


class TemperatureAnswer(Out):
    """The answer of `fallow-sieve temperature --json`: one setting on every oven; settings are rounded to 5 °."""

    exact_c: float
    conventional_c: int
    conventional_f: int
    fan_c: int
    fan_f: int
    gas_mark: float | None


def scale_answer(
    scaled: Scaled,
    exact: dict[str, Any],
    rounded_file: dict[str, Any],
    by_step: Rounded,
    tin: Filling | None,
    eggs: Eggs | None,
) -> ScaleAnswer:
    """Return the document of a scaling; the two files are formula files' values, exact and rounded."""
    return ScaleAnswer(
        factor=scaled.factor,
        dough_g=scaled.dough_g,
        say=scaled.say,
        formula=FormulaFile.model_validate(exact),
        rounded=FormulaFile.model_validate(rounded_file),
        moved_pct=by_step.moved_pct,
        too_fine=[by_step.lines[n].ingredient for n in by_step.too_fine],
        tin=TinOut(volume_ml=tin.volume_ml, each_g=tin.each_g, fill=tin.fill, risen=tin.risen, warning=tin.warning)
        if tin
        else None,
        eggs=EggsOut(count=eggs.count, whole=eggs.whole, say=eggs.say) if eggs else None,
    )


def temperature_answer(oven: OvenSetting) -> TemperatureAnswer:
    """Return the document of an oven setting, °C and °F."""
    return TemperatureAnswer(
        exact_c=round(oven.exact_c, 6),
        conventional_c=oven.conventional_c,
        conventional_f=oven.conventional_f,
        fan_c=oven.fan_c,
        fan_f=oven.fan_f,
        gas_mark=oven.gas_mark,
    )
