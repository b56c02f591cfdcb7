"""What `analyse --json` and `compare --json` print: stable documents, made from the core's values."""

from __future__ import annotations

import math

from fallow_sieve.core.blends import METRICS, BandResult, Judgement, Quiet
from fallow_sieve.core.values import Estimate
from fallow_sieve.formats.shared import (
    DECIMALS,
    BinderOut,
    DoseOut,
    EstimateOut,
    GlutenOut,
    NutrientOut,
    Out,
    estimate_out,
    nutrient_out,
    rounded,
)


class BandOut(Out):
    """How the blend stands at one band; `distance` is signed, in `unit`, to the nearer good edge.

    A side that holds nothing has the end of what is possible as its hard limit, or null where there is none.
    """

    metric: str
    typical: float | None
    hard_low: float | None
    good_low: float
    good_high: float
    hard_high: float | None
    weight: float
    status: str
    desirability: float | None
    distance: float | None
    unit: str
    p_inside_hard: float | None


class FitOut(Out):
    """How well the blend fits its use, 0–100."""

    use: str
    score: float | None
    bands: list[BandOut]


class BringOut(Out):
    """A binder that the recipe can bring, g for 100 g of the mix."""

    binder: str
    g_per_100_g: float


class BagOut(Out):
    """The kind of bag, and the binders of which the recipe has to bring one."""

    kind: str
    bring: list[BringOut]


class QuietOut(Out):
    """A number that is not judged, in its unit, and where most mixes on record for the use lie (null: none is)."""

    metric: str
    typical: float | None
    usual_low: float | None
    usual_high: float | None


class AnalysisDocument(Out):
    """The answer of `fallow-sieve analyse --json`."""

    mass_g: float
    flour_base_g: float
    nutrients: dict[str, NutrientOut]
    metrics: dict[str, EstimateOut]
    fit: FitOut | None
    quiet: list[QuietOut]
    bag: BagOut
    binder: BinderOut
    cost_per_kg: float | None
    allergens: list[str]
    gluten: GlutenOut
    cautions: list[str]


def _metric(e: Estimate) -> EstimateOut:
    """A metric that is not wholly known has no typical value; what is known of it is a lower bound."""
    if e.is_known:
        return estimate_out(e)
    return EstimateOut(typical=None, low=rounded(e.low), high=None)


def _band(r: BandResult) -> BandOut:
    b = r.band
    return BandOut(
        metric=b.metric,
        typical=_metric(r.estimate).typical,
        hard_low=b.hard_low if b.holds_low else METRICS[b.metric].lowest,
        good_low=b.good_low,
        good_high=b.good_high,
        hard_high=b.hard_high if b.holds_high else _finite(METRICS[b.metric].highest),
        weight=b.weight,
        status=str(r.status),
        desirability=rounded(r.desirability),
        distance=rounded(r.distance),
        unit=METRICS[b.metric].unit,
        p_inside_hard=rounded(r.p_inside_hard),
    )


def _quiet(q: Quiet) -> QuietOut:
    usual = q.usual
    return QuietOut(
        metric=q.metric,
        typical=_metric(q.estimate).typical,
        usual_low=usual.low if usual else None,
        usual_high=usual.high if usual else None,
    )


def _finite(limit: float) -> float | None:
    return limit if math.isfinite(limit) else None


def analysis_document(judgement: Judgement) -> AnalysisDocument:
    """Return the document of a judgement: nutrients per 100 g of mix, metrics in their own units."""
    a, fit = judgement.analysis, judgement.fit
    usual = [
        f"{o.name} at {o.flour_pct:.0f} % of flour, usually at most {o.usual_max_pct:g} %: {o.reason}."
        for o in judgement.over_usual
    ]
    return AnalysisDocument(
        mass_g=a.mass_g,
        flour_base_g=a.flour_base_g,
        nutrients={n: nutrient_out(e) for n, e in a.nutrients.items()},
        metrics={n: _metric(e) for n, e in a.metrics.items()},
        fit=FitOut(use=fit.use, score=rounded(fit.score), bands=[_band(b) for b in fit.bands]) if fit else None,
        quiet=[_quiet(q) for q in judgement.quiet],
        bag=BagOut(
            kind=str(judgement.bag.kind),
            bring=[BringOut(binder=b.binder, g_per_100_g=round(b.g_per_100_g, DECIMALS)) for b in judgement.bag.bring],
        ),
        binder=BinderOut(
            load=rounded(judgement.binder.load),
            doses=[DoseOut(binder=d.binder, dose_pct=round(d.dose_pct, DECIMALS)) for d in judgement.binder.doses],
        ),
        cost_per_kg=rounded(a.cost_per_kg.typical) if a.cost_per_kg.is_known else None,
        allergens=list(judgement.allergens),
        gluten=GlutenOut(
            status=judgement.gluten.status,
            known_mg_per_kg=round(judgement.gluten.known_mg_per_kg, DECIMALS),
            unknown_parts=list(judgement.gluten.unknown_parts),
        ),
        cautions=[c.say for c in judgement.cautions] + usual,
    )
