"""How a number on screen was worked out: its terms, what each ingredient gives, and where its numbers are from."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from fallow_sieve.core.blends.analysis import Analysis, PartShare
from fallow_sieve.core.blends.bag import counts_as
from fallow_sieve.core.blends.blend import Blend, drawing_on
from fallow_sieve.core.blends.metrics import FIELD_OF_METRIC, METRICS, ROLE_SHARES, MetricKind
from fallow_sieve.core.blends.moving import Moved, moved_by
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.ingredients import Fact, Ingredient, Kind, Shelf, available_fact, standard_of
from fallow_sieve.core.values import CupStandard, UnknownNameError


@dataclass(frozen=True, slots=True)
class Term:
    """One ingredient's part in a metric.

    `weight_pct` is its share in % of the basis; `value` its own number with range and `unit`; `gives` what it
    adds to the metric in the metric's unit, `gives_pct` the same in % of the whole; `moves` what a
    little more of it does to the metric; `quality`, `source` and `noted_on` (ISO date) say how the number is known,
    `lot_code` for which lot. None where it has no number.
    """

    ingredient: str
    name: str
    weight_pct: float
    value: float | None
    low: float | None
    high: float | None
    gives: float | None
    gives_pct: float | None
    quality: str
    source: str
    noted_on: str = ""
    lot_code: str = ""
    moves: Moved | None = None


@dataclass(frozen=True, slots=True)
class Explanation:
    """A metric's terms, largest first, its formula in words, the unit of the terms and its method section."""

    metric: str
    label: str
    unit: str
    formula: str
    term_unit: str
    section: str
    terms: tuple[Term, ...]


_FORMULAS = {
    "sticky_share_pct": "Each flour's mass × its stickiness (0–1), as % of the flour base",
    "starch_share_pct": "Isolated starches as % of the flour base; starch inside whole flours does not count here",
    "whole_grain_share_pct": "Whole-grain flours as % of the flour base",
    "protein_powder_share_pct": "Isolates, milk and egg powders as % of the flour base",
    "binder_load": "Each binder's share of flour ÷ its usual dose for the use; egg and gelling seeds help to carry",
    "chemical_leavening_pct": "Baking powder as % of the flour base; soda counts as three times its mass",
    "yeast_pct": "Yeast as % of the flour base; fresh yeast counts as a third of instant",
    "salt_pct": "Salt as % of the flour base",
    "sugar_pct": "Sweeteners as % of the flour base",
    "egg_pct": "Egg as fresh egg, % of the flour base; dried egg counts as four times its mass, dried white as eight",
    "fat_added_pct": "Fats as % of the flour base",
    "milk_powder_pct": "Dried milk as % of the flour base",
    "amylose_pct_of_starch": "Amylose as a share of all the starch, weighted by each part's starch",
    "density_g_per_ml": "All the mass ÷ the sum of each part's own volume; low with all lows, high with all highs",
    "cup_g": "Bulk density of the mix × the cup in force",
}
_SECTIONS = {
    "starch_share_pct": "shares",
    "protein_powder_share_pct": "shares",
    "binder_load": "bag",
    "chemical_leavening_pct": "bag",
    "yeast_pct": "bag",
    "salt_pct": "bag",
    "sugar_pct": "bag",
    "egg_pct": "bag",
    "fat_added_pct": "bag",
    "milk_powder_pct": "bag",
    "whole_grain_share_pct": "shares",
    "sticky_share_pct": "shares",
    "amylose_pct_of_starch": "amylose",
    "density_g_per_ml": "volume",
    "cup_g": "volume",
    "energy_kj": "energy",
    "energy_kcal": "energy",
    "available_carbohydrate_pct": "carbohydrate",
    "lightness_l": "colour",
    "thirst_g_per_g": "dough",
    "grit_index": "dough",
    "flavour_index": "dough",
}


def explain(
    blend: Blend,
    shelf: Shelf,
    metric: str,
    cup: CupStandard = CupStandard.US,
    doses: Mapping[str, float] | None = None,
) -> Explanation:
    """Return how `metric` of `blend` was worked out; `doses` are the usual ones of its use, % of flour base.

    Raises UnknownNameError for an unknown metric.
    """
    if metric not in METRICS:
        raise UnknownNameError("metric", metric, METRICS, place="/metric")
    shelf = drawing_on(blend.parts, shelf)
    analysis = analyse(blend, shelf, cup)
    terms = _terms(metric, analysis, shelf, doses or {})
    total = sum(t.gives for t in terms if t.gives is not None)
    moves = moved_by(blend, lambda b: _value(metric, analyse(b, shelf, cup), shelf, doses or {}))
    shared = [replace(_with_share(t, total), moves=moves.get(t.ingredient)) for t in terms if t.weight_pct > 0]
    shared.sort(key=lambda t: (t.gives is not None, -(t.gives or 0.0)))
    info = METRICS[metric]
    return Explanation(
        metric,
        info.label,
        info.unit,
        _FORMULAS.get(metric, _mean_formula(info.basis)),
        _term_unit(metric),
        _SECTIONS.get(metric, "sums"),
        tuple(shared),
    )


def _is_of_bag(metric: str) -> bool:
    return METRICS[metric].kind is MetricKind.BAG or metric == "binder_load"


def _terms(metric: str, analysis: Analysis, shelf: Shelf, doses: Mapping[str, float]) -> list[Term]:
    if _is_of_bag(metric):
        return [t for p in analysis.parts if (t := _bag_term(metric, p, shelf[p.ingredient], doses))]
    return [_term(metric, p.ingredient, analysis, shelf) for p in analysis.parts]


def _value(metric: str, analysis: Analysis, shelf: Shelf, doses: Mapping[str, float]) -> float | None:
    """The metric itself: what lies in the bag is the sum of its terms."""
    if not _is_of_bag(metric):
        return analysis.metrics[metric].typical
    return sum(t.gives or 0.0 for t in _terms(metric, analysis, shelf, doses))


def _mean_formula(basis: str) -> str:
    whole = "the whole mix, binders included" if basis == "mix" else "the flour base"
    return f"Each part's share of {whole} × its own value, added up"


def _term_unit(metric: str) -> str:
    if metric in ("density_g_per_ml", "cup_g"):
        return "g/mL"
    if metric == "sticky_share_pct":
        return "0–1"
    return METRICS[metric].unit if metric in FIELD_OF_METRIC else ""


def _bag_term(metric: str, part: PartShare, item: Ingredient, doses: Mapping[str, float]) -> Term | None:
    """What a part brings into the bag: as what it counts, or how many usual doses it is."""
    share = part.flour_pct or 0.0
    if metric == "binder_load":
        dose = doses.get(standard_of(part.functions, Kind.BINDER) or "")
        return _plain(item, share, dose, share / dose, "the usual dose for the use, rule of thumb") if dose else None
    counts = counts_as(part.functions, metric)
    return _plain(item, share, counts, share * counts, "by what the ingredient does") if counts else None


def _term(metric: str, slug: str, analysis: Analysis, shelf: Shelf) -> Term:
    item = shelf[slug]
    part = next(p for p in analysis.parts if p.ingredient == slug)
    flour_pct = part.flour_pct if item.in_flour_base and part.flour_pct is not None else 0.0
    weight = part.mix_pct if METRICS[metric].basis == "mix" else flour_pct
    if metric in ROLE_SHARES:
        counts = float(item.role is ROLE_SHARES[metric])
        return _plain(item, weight, counts, weight * counts, "by what the ingredient is")
    if metric in ("density_g_per_ml", "cup_g"):
        fact = item.facts.get("density_g_per_ml")
        volume = weight / fact.range.typical if fact else None
        return _of_fact(item, weight, fact, volume)
    if metric == "amylose_pct_of_starch":
        return _amylose_term(item, part.mix_pct)
    fact = _fact_of(item, FIELD_OF_METRIC[metric])
    scale = 1.0 if metric == "sticky_share_pct" else 0.01
    return _of_fact(item, weight, fact, weight * scale * fact.range.typical if fact else None)


def _amylose_term(item: Ingredient, mix_pct: float) -> Term:
    starch, amylose = item.range_of("starch_g"), item.facts.get("amylose_pct")
    starch_pct = mix_pct * starch.typical / 100 if starch else 0.0
    return _of_fact(item, starch_pct, amylose, starch_pct * amylose.range.typical / 100 if amylose else None)


def _fact_of(item: Ingredient, column: str) -> Fact | None:
    return available_fact(item) if column == "available_carbohydrate_g" else item.facts.get(column)


def _plain(item: Ingredient, weight: float, value: float, gives: float, source: str) -> Term:
    return Term(
        item.slug, item.name, weight, value, value, value, gives, None, "defined", source, lot_code=item.lot_code
    )


def _of_fact(item: Ingredient, weight: float, fact: Fact | None, gives: float | None) -> Term:
    if fact is None:
        return Term(item.slug, item.name, weight, None, None, None, None, None, "unknown", "no value on record")
    r = fact.range
    return Term(
        item.slug,
        item.name,
        weight,
        r.typical,
        r.low,
        r.high,
        gives,
        None,
        str(fact.quality),
        fact.source,
        fact.noted_on,
        item.lot_code,
    )


def _with_share(term: Term, total: float) -> Term:
    share = 100 * term.gives / total if term.gives is not None and total > 0 else None
    return replace(term, gives_pct=share)
