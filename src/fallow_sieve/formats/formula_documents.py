"""What `formula`, `convert`, `scale` and `temperature` print with --json: stable documents from the core's values."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from fallow_sieve.core.baking.ovens import OvenSetting
from fallow_sieve.core.formulas.analysis import LineFacts
from fallow_sieve.core.formulas.gauges import Gauge
from fallow_sieve.core.formulas.judgement import FormulaJudgement
from fallow_sieve.core.formulas.scaling import Eggs, Rounded, Scaled
from fallow_sieve.core.formulas.tins import Filling
from fallow_sieve.core.recipes.checks import Finding
from fallow_sieve.core.recipes.conversion import Conversion
from fallow_sieve.core.recipes.reading import ReadRecipe
from fallow_sieve.formats.documents import BinderOut, DoseOut, GlutenOut, NutrientOut, Out, nutrient_out, rounded
from fallow_sieve.formats.formula_file import FormulaFile


class FormulaLineOut(Out):
    """A line: g, % of flour base, and the g of water, fat, sugars, salt and protein in it (null: unknown)."""

    ingredient: str
    name: str
    stage: str
    mass_g: float
    flour_pct: float | None
    brings_g: dict[str, float | None]


class WaterRangeOut(Out):
    """Water wanted, % of flour base; null where it cannot be told, and why."""

    typical_pct: float | None
    low_pct: float | None
    high_pct: float | None
    say: str


class HydrationOut(Out):
    """The dough's water and the water predicted, both % of flour base, and how it stands."""

    pct: float | None
    water_g: float
    consistency: str | None
    wanted: WaterRangeOut
    status: str | None


class GaugeOut(Out):
    """One gauge: its value in its unit, the good band, and how it stands."""

    name: str
    value: float | None
    unit: str
    good_low: float | None
    good_high: float | None
    status: str
    say: str


class BakePhaseOut(Out):
    """One phase: °C of a conventional oven, minutes, and how."""

    oven_c: float
    minutes_low: float
    minutes_typical: float
    minutes_high: float
    say: str


class BakeOut(Out):
    """The bake: phases, core °C, cooling in minutes, loss in %."""

    phases: list[BakePhaseOut]
    core_low_c: float | None
    core_high_c: float | None
    cool_minutes: float | None
    bake_loss_pct: float | None


class FormulaAnswer(Out):
    """The answer of `fallow-sieve formula --json`."""

    say: str
    mass_g: float
    dough_g: float
    flour_g: float
    lines: list[FormulaLineOut]
    totals_g: dict[str, NutrientOut]
    hydration: HydrationOut
    binder: BinderOut
    gauges: list[GaugeOut]
    bake: BakeOut
    checks: list[str]
    allergens: list[str]
    gluten: GlutenOut
    cautions: list[str]


class ChangeOut(Out):
    """One change of a conversion; `size_g` is null for advice."""

    key: str
    say: str
    reason: str
    size_g: float | None
    on: bool


class FindingOut(Out):
    """Something odd in a recipe: its kind, line and column (from 1; null where not known)."""

    kind: str
    line: int
    column: int | None
    say: str


class ReadLineOut(Out):
    """A line as read: what was understood (yes, guessed, part or no), the mass in g with its spread, guesses."""

    line: int
    text: str
    ingredient: str | None
    mass_g: float | None
    mass_low_g: float | None
    mass_high_g: float | None
    understood: str
    guesses: list[str]
    wrong: str


class ConvertAnswer(Out):
    """The answer of `fallow-sieve convert --json`: the formula (a formula file), every change, and what was read."""

    formula: FormulaFile
    changes: list[ChangeOut]
    poor: list[str]
    before: FormulaAnswer
    after: FormulaAnswer
    read: list[ReadLineOut]
    checks: list[FindingOut]
    unread: list[str]


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


def formula_answer(j: FormulaJudgement) -> FormulaAnswer:
    """Return the document of a formula's judgement: masses in g, percentages on its flour base."""
    a = j.analysis
    status = next((str(g.status) for g in j.gauges if g.name == "water"), None)
    w = j.wanted
    wanted = WaterRangeOut(
        typical_pct=rounded(w.typical_pct) if w else None,
        low_pct=rounded(w.low_pct) if w else None,
        high_pct=rounded(w.high_pct) if w else None,
        say=w.say if w else j.prediction.say,
    )
    return FormulaAnswer(
        say=j.say,
        mass_g=a.mass_g,
        dough_g=a.dough_g,
        flour_g=a.flour_g,
        lines=[_line(x) for x in a.lines],
        totals_g={n: nutrient_out(e) for n, e in a.totals_g.items()},
        hydration=HydrationOut(
            pct=rounded(a.hydration_pct),
            water_g=a.water_g,
            consistency=j.consistency,
            wanted=wanted,
            status=status,
        ),
        binder=BinderOut(
            load=rounded(j.binder.load),
            doses=[DoseOut(binder=d.binder, dose_pct=rounded(d.dose_pct) or 0.0) for d in j.binder.doses],
        ),
        gauges=[_gauge(g) for g in j.gauges],
        bake=_bake(j),
        checks=list(j.warnings),
        allergens=list(j.allergens),
        gluten=GlutenOut(
            status=j.gluten.status,
            known_mg_per_kg=j.gluten.known_mg_per_kg,
            unknown_parts=list(j.gluten.unknown_parts),
        ),
        cautions=[c.say for c in (*j.cautions, *j.bake.cautions)],
    )


def _line(x: LineFacts) -> FormulaLineOut:
    return FormulaLineOut(
        ingredient=x.ingredient,
        name=x.name,
        stage=str(x.stage),
        mass_g=x.mass_g,
        flour_pct=rounded(x.flour_pct),
        brings_g={n: rounded(v) for n, v in x.brings_g.items()},
    )


def _gauge(g: Gauge) -> GaugeOut:
    return GaugeOut(
        name=g.name,
        value=rounded(g.value),
        unit=g.unit,
        good_low=rounded(g.band.good_low) if g.band else None,
        good_high=rounded(g.band.good_high) if g.band else None,
        status=str(g.status),
        say=g.say,
    )


def _bake(j: FormulaJudgement) -> BakeOut:
    b = j.bake
    phases = [
        BakePhaseOut(
            oven_c=p.oven.exact_c,
            minutes_low=p.minutes_low,
            minutes_typical=p.minutes_typical,
            minutes_high=p.minutes_high,
            say=p.say,
        )
        for p in b.phases
    ]
    return BakeOut(
        phases=phases,
        core_low_c=b.core_low_c,
        core_high_c=b.core_high_c,
        cool_minutes=b.cool_minutes,
        bake_loss_pct=b.bake_loss_pct,
    )


def convert_answer(
    file: dict[str, Any],
    found: Conversion,
    read: ReadRecipe,
    checks: Sequence[Finding],
    before: FormulaJudgement,
    after: FormulaJudgement,
) -> ConvertAnswer:
    """Return the document of a conversion; `file` is the converted formula as a formula file's values."""
    return ConvertAnswer(
        formula=FormulaFile.model_validate(file),
        changes=[ChangeOut(key=c.key, say=c.say, reason=c.reason, size_g=c.size_g, on=c.on) for c in found.changes],
        poor=list(found.poor),
        before=formula_answer(before),
        after=formula_answer(after),
        read=[
            ReadLineOut(
                line=x.number,
                text=x.text,
                ingredient=x.ingredient,
                mass_g=x.mass.typical if x.mass else None,
                mass_low_g=x.mass.low if x.mass else None,
                mass_high_g=x.mass.high if x.mass else None,
                understood=x.understood,
                guesses=list(x.guesses),
                wrong=x.wrong,
            )
            for x in read.lines
        ],
        checks=[FindingOut(kind=f.kind, line=f.line, column=f.column, say=f.say) for f in checks],
        unread=[f"line {n}: {text}" for n, text in read.unread],
    )


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
