"""What `formula`, `convert`, `scale` and `temperature` print with --json: stable documents from the core's values."""

from __future__ import annotations

from fallow_sieve.core.formulas import FormulaJudgement, Gauge, LineFacts
from fallow_sieve.formats.shared import BinderOut, DoseOut, GlutenOut, NutrientOut, Out, nutrient_out, rounded


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
        stage=str(x.when),
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
