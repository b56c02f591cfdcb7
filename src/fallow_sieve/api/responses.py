"""What responses carry. Core values go out as they are: their fields are the response's fields."""

from __future__ import annotations

from typing import Any, Literal

from pydantic import BaseModel, RootModel

from fallow_sieve.api.requests import LimitsIn
from fallow_sieve.core.blends.differences import Difference
from fallow_sieve.core.blends.explanation import Explanation
from fallow_sieve.core.blends.judgement import Judgement
from fallow_sieve.core.ingredients.side_by_side import OnBasis


class Out(BaseModel):
    """What a response carries."""

    model_config = {"json_schema_serialization_defaults_required": True}


class JudgementOut(RootModel[Judgement]):
    """The judgement of a blend."""


class ExplanationOut(RootModel[Explanation]):
    """How a metric was worked out."""


class DifferenceOut(RootModel[Difference]):
    """What changed between two blends."""


class PartOut(Out):
    """One part as stored."""

    ingredient: str
    mass_g: float
    locked: bool
    lot_id: int | None


class PartsOut(Out):
    """The parts after a change."""

    parts: list[PartOut]


class DraftOut(Out):
    """The draft on the bench."""

    parts: list[PartOut]
    based_on: int | None
    updated_at: str
    version: int


class RevisionOut(Out):
    """A kept revision."""

    number: int
    parts: list[PartOut]
    why: str
    based_on: int | None
    kept_at: str


class BlendHead(Out):
    """A blend without its parts."""

    id: int
    brief_id: int | None
    name: str
    use: str | None
    archived: bool
    created_at: str
    updated_at: str
    version: int


class BlendOut(Out):
    """A blend with its draft and revisions."""

    blend: BlendHead
    draft: DraftOut
    revisions: list[RevisionOut]


class LayerOut(Out):
    """One layer of a small column: role and % of the mix."""

    ingredient: str
    role: str
    mix_pct: float


class BlendSummary(Out):
    """A blend with its state in one sentence."""

    blend: BlendHead
    state: Literal["empty", "held", "close", "passes", "unjudged"]
    say: str
    score: float | None
    cost_per_kg: float | None
    layers: list[LayerOut]
    revisions: int
    kept: bool


class BlendList(Out):
    """A page of blends; `next` is the cursor of the next page."""

    items: list[BlendSummary]
    next: str | None


class BriefOut(Out):
    """A brief as stored."""

    id: int
    name: str
    use: str
    eaters: str
    aim: str
    note: str
    limits: LimitsIn
    archived: bool
    created_at: str
    updated_at: str
    version: int


class BriefSummary(Out):
    """A brief with its limits in words, its state, the next step, and its blends."""

    brief: BriefOut
    use_name: str
    wishes: list[str]
    say: str
    next_step: str
    next_action: Literal["compose", "open", "keep", "print"]
    next_blend: int | None
    blends: list[BlendSummary]


class BriefList(Out):
    """A page of briefs."""

    items: list[BriefSummary]
    next: str | None


class KitchenOut(Out):
    """The kitchen's settings as stored."""

    name: str
    cup: str
    tablespoon: str
    mass_unit: str
    temp_unit: str
    energy_unit: str
    currency: str
    binder_school: str
    store_temp_c: float
    serving_g: float
    version: int


class LotOut(Out):
    """A lot in a bin."""

    code: str
    supplier: str
    stock_g: float
    price_per_kg: float | None
    best_before: str | None
    gluten_mg_per_kg: float | None
    gluten_basis: str


class LookAlikeOut(Out):
    """An ingredient that this one is taken for."""

    ingredient: str
    name: str
    differ: str


class IngredientOut(Out):
    """An ingredient, as the shelf shows it."""

    slug: str
    name: str
    role: str
    aliases: list[str]
    look_alikes: list[LookAlikeOut]
    flavour_words: list[str]
    allergens: list[str]
    watch: list[str]
    gluten_risk: str
    gluten_mg_per_kg: float | None
    price_per_kg: float | None
    usual_max_pct: float | None
    usual_max_reason: str
    confidence: str
    lab: list[float] | None
    lots: list[LotOut]
    found_by: str


class IngredientList(Out):
    """A page of ingredients."""

    items: list[IngredientOut]
    next: str | None


class NamedOut(Out):
    """A name and its label."""

    name: str
    label: str


class UseOut(Out):
    """An intended use."""

    slug: str
    name: str
    family: str
    moisture: str


class MetricOut(Out):
    """A metric: unit, decimals to show, what is possible (null: no end), and whether uses put a band on it."""

    name: str
    label: str
    unit: str
    decimals: int
    lowest: float
    highest: float | None
    banded: bool


class NutrientInfo(Out):
    """A nutrient and its unit."""

    name: str
    label: str
    unit: str


class ReferenceOut(Out):
    """What the pages need to know once: uses, metrics, roles, nutrients, allergens, aims, and wheat's L*a*b*."""

    version: str
    uses: list[UseOut]
    metrics: list[MetricOut]
    roles: list[NamedOut]
    nutrients: list[NutrientInfo]
    allergens: list[NamedOut]
    aims: list[NamedOut]
    wheat_lab: list[float] | None


class NutritionOut(Out):
    """A mix on three bases: 100 g, a quarter cup, the kitchen's serving; each with known shares."""

    columns: list[NutritionColumn]


class NutritionColumn(Out):
    """One basis: its label and mass, and nutrients for it."""

    label: str
    values: OnBasis | None
    known_mass_pct: dict[str, float]


class ImportOut(Out):
    """An imported blend, and what there is to say about it."""

    blend: BlendOut
    notes: list[str]


class FoundOut(Out):
    """Something the search found."""

    kind: Literal["brief", "blend", "formula", "ingredient"]
    id: int
    slug: str
    name: str
    about: str


class SearchOut(Out):
    """What the search found, best first."""

    items: list[FoundOut]


class Problem(BaseModel):
    """An error (RFC 9457): what is wrong, where, and what would be right."""

    type: str
    title: str
    status: int
    detail: str
    place: str | None = None
    right: str | None = None
    current: dict[str, Any] | None = None
    submitted: dict[str, Any] | None = None
