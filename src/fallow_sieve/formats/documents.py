"""What `analyse --json` and `compare --json` print: stable documents, made from the core's values."""

from __future__ import annotations

from collections.abc import Iterable

from pydantic import BaseModel, ConfigDict

from fallow_sieve.core.blends.fit import BandResult
from fallow_sieve.core.blends.judgement import Judgement
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.ingredients.side_by_side import OnBasis
from fallow_sieve.core.values.estimates import Estimate
from fallow_sieve.core.values.quantities import Basis

_DECIMALS = 10


class Out(BaseModel):
    """A part of a document that is written."""

    model_config = ConfigDict(extra="forbid")


class EstimateOut(Out):
    """A number with its 95 % interval; null where unknown, `low` alone where only a lower bound is known."""

    typical: float | None
    low: float | None
    high: float | None


class NutrientOut(EstimateOut):
    """A nutrient per 100 g; with `known_mass_pct` under 100, `typical` is a lower bound and `high` null."""

    known_mass_pct: float


class BandOut(Out):
    """How the blend stands at one band; `distance` is signed, in `unit`, to the nearer good edge."""

    metric: str
    typical: float | None
    hard_low: float
    good_low: float
    good_high: float
    hard_high: float
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


class DoseOut(Out):
    """A binder and its dose, % of flour base."""

    binder: str
    dose_pct: float


class BinderOut(Out):
    """The binder load (1 is the usual dose) and the doses behind it."""

    load: float | None
    doses: list[DoseOut]


class GlutenOut(Out):
    """The gluten estimate, mg per kg of mix, from the known parts."""

    status: str
    known_mg_per_kg: float
    unknown_parts: list[str]


class AnalysisDocument(Out):
    """The answer of `fallow-sieve analyse --json`."""

    mass_g: float
    flour_base_g: float
    nutrients: dict[str, NutrientOut]
    metrics: dict[str, EstimateOut]
    fit: FitOut | None
    binder: BinderOut
    cost_per_kg: float | None
    allergens: list[str]
    gluten: GlutenOut
    cautions: list[str]


class BasisOut(Out):
    """The basis of a comparison, and the cup that volumes were taken by."""

    kind: str
    cup_ml: float


class ComparedOut(Out):
    """One ingredient on the basis; masses are null where its density is unknown."""

    ingredient: str
    mass_g: float | None
    mass_low_g: float | None
    mass_high_g: float | None
    nutrients: dict[str, EstimateOut]


class ComparisonDocument(Out):
    """The answer of `fallow-sieve compare --json`."""

    basis: BasisOut
    ingredients: list[ComparedOut]


def rounded(value: float | None) -> float | None:
    """Return a number as documents hold it, to ten places, so that they do not differ by the last bit."""
    return None if value is None else round(value, _DECIMALS)


def _estimate(e: Estimate) -> EstimateOut:
    return EstimateOut(typical=rounded(e.typical), low=rounded(e.low), high=rounded(e.high))


def _metric(e: Estimate) -> EstimateOut:
    """A metric that is not wholly known has no typical value; what is known of it is a lower bound."""
    if e.is_known:
        return _estimate(e)
    return EstimateOut(typical=None, low=rounded(e.low), high=None)


def nutrient_out(e: Estimate) -> NutrientOut:
    """Return a nutrient with its range and the share of the mass (%) that is known."""
    return NutrientOut(
        typical=rounded(e.typical), low=rounded(e.low), high=rounded(e.high), known_mass_pct=round(e.known_mass_pct, 6)
    )


def _band(r: BandResult) -> BandOut:
    b = r.band
    return BandOut(
        metric=b.metric,
        typical=_metric(r.estimate).typical,
        hard_low=b.hard_low,
        good_low=b.good_low,
        good_high=b.good_high,
        hard_high=b.hard_high,
        weight=b.weight,
        status=str(r.status),
        desirability=rounded(r.desirability),
        distance=rounded(r.distance),
        unit=METRICS[b.metric].unit,
        p_inside_hard=rounded(r.p_inside_hard),
    )


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
        binder=BinderOut(
            load=rounded(judgement.binder.load),
            doses=[DoseOut(binder=d.binder, dose_pct=round(d.dose_pct, _DECIMALS)) for d in judgement.binder.doses],
        ),
        cost_per_kg=rounded(a.cost_per_kg.typical) if a.cost_per_kg.is_known else None,
        allergens=list(judgement.allergens),
        gluten=GlutenOut(
            status=judgement.gluten.status,
            known_mg_per_kg=round(judgement.gluten.known_mg_per_kg, _DECIMALS),
            unknown_parts=list(judgement.gluten.unknown_parts),
        ),
        cautions=[c.say for c in judgement.cautions] + usual,
    )


def comparison_document(basis: Basis, compared: Iterable[OnBasis]) -> ComparisonDocument:
    """Return the document of a comparison: g and nutrients for the basis."""
    return ComparisonDocument(
        basis=BasisOut(kind=basis.kind, cup_ml=round(basis.cup_ml, 3)),
        ingredients=[
            ComparedOut(
                ingredient=c.ingredient,
                mass_g=rounded(c.mass_g),
                mass_low_g=rounded(c.mass_low_g),
                mass_high_g=rounded(c.mass_high_g),
                nutrients={n: _estimate(e) for n, e in c.nutrients.items()},
            )
            for c in compared
        ],
    )
