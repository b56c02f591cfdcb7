"""What requests and answers about formulas carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, RootModel

from fallow_sieve.api.requests import In, Name, PageQuery, Parts, RowId, Slug
from fallow_sieve.api.responses import Out, PartOut
from fallow_sieve.core.blends.blend import MAX_MASS_G
from fallow_sieve.core.formulas.binder_choice import Converted, Dilution
from fallow_sieve.core.formulas.card import Card
from fallow_sieve.core.formulas.dough_temperature import WaterPlan
from fallow_sieve.core.formulas.finished_bake import Finished
from fallow_sieve.core.formulas.formula import CONSISTENCIES, MAX_LINES, MAX_METHOD, Stage
from fallow_sieve.core.formulas.judgement import FormulaJudgement
from fallow_sieve.core.formulas.scaling import Eggs, Rounded
from fallow_sieve.core.formulas.swaps.effects import Effects
from fallow_sieve.core.formulas.swaps.swap import Loss
from fallow_sieve.core.formulas.tins import Filling
from fallow_sieve.core.formulas.water_learning import Learnt
from fallow_sieve.formats.formula_file import LineName

School = Literal["by-moisture", "gum", "psyllium", "gels", "none"]
Grams = Annotated[float, Field(gt=0, le=MAX_MASS_G)]
Temp = Annotated[float, Field(ge=-30, le=120)]


class LineIn(In):
    """One line: an ingredient by slug, or `@blend` for the pinned blend; g and stage."""

    ingredient: LineName
    mass_g: Grams
    stage: Literal[tuple(str(s) for s in Stage)]  # type: ignore[valid-type]
    note: Annotated[str, Field(max_length=200)] = ""


class PinnedIn(In):
    """The blend a formula rests on, as it was: its parts, and where they come from (null: from no blend here)."""

    blend_id: RowId | None = None
    revision: Annotated[int, Field(ge=1, le=2**31)] | None = None
    name: Annotated[str, Field(max_length=200)] = ""
    parts: Parts


class ContentIn(In):
    """What is in a formula."""

    use: Slug | None = None
    consistency: Literal[CONSISTENCIES] | None = None  # type: ignore[valid-type]
    school: School | None = None
    pieces: Annotated[int, Field(ge=1, le=100_000)] = 1
    pan: Annotated[str, Field(max_length=40)] | None = None
    method: Annotated[str, Field(max_length=MAX_METHOD)] = ""
    blend: PinnedIn | None = None
    lines: Annotated[list[LineIn], Field(max_length=MAX_LINES)] = Field(default_factory=list)


class NewFormulaIn(In):
    """A formula to add."""

    name: Name
    brief_id: RowId | None = None
    content: ContentIn


class FormulaIn(In):
    """A formula's name, brief, and whether it is put away."""

    name: Name
    brief_id: RowId | None = None
    archived: bool = False


class FormulaDraftIn(In):
    """The draft to save, and the revision that it started from."""

    content: ContentIn
    based_on: Annotated[int, Field(ge=1, le=2**31)] | None = None


class OnContentIn(In):
    """A formula as it stands, to be looked at."""

    content: ContentIn


class AddLineIn(In):
    """What to add to a formula: an ingredient, by its slug."""

    content: ContentIn
    ingredient: Slug


class SwapIn(In):
    """Which line of a formula to swap, by its place."""

    content: ContentIn
    at: Annotated[int, Field(ge=0, le=MAX_LINES)]


class TinIn(In):
    """A tin, lengths in cm; a round one has its diameter in `length_cm`."""

    shape: Literal["box", "round", "ring", "cups"]
    length_cm: float
    width_cm: float
    height_cm: float
    base_length_cm: float | None = None
    base_width_cm: float | None = None
    hole_cm: float | None = None
    count: Annotated[int, Field(ge=1, le=200)] = 1


class ScalingIn(In):
    """How to scale: to `flour_g`, `dough_g`, `pieces` of `piece_g`, or `tins` of a tin; one of them."""

    content: ContentIn
    flour_g: Grams | None = None
    dough_g: Grams | None = None
    pieces: Annotated[int, Field(ge=1, le=100_000)] | None = None
    piece_g: Grams | None = None
    baked: bool = False
    tin: TinIn | None = None
    tins: Annotated[int, Field(ge=1, le=200)] = 1
    fill: Annotated[float, Field(gt=0, le=1)] | None = None
    mixing_loss_pct: Annotated[float, Field(ge=0, lt=50)] = 2.0
    step_g: Annotated[float, Field(gt=0, le=1000)] = 1.0
    egg_g: Annotated[float, Field(gt=5, le=200)] | None = None


class ConvertBinderIn(In):
    """A binder's mass (g) to be given as another binder's, for a use."""

    use: Slug
    mass_g: Grams
    from_binder: Slug
    to_binder: Slug


class DiluteIn(In):
    """A dose (g) and what the scale shows (g)."""

    dose_g: Grams
    readability_g: Annotated[float, Field(gt=0, le=1000)]


class WaterTemperatureIn(In):
    """What the dough should be (°C), how warm everything else is, the kind of mixing, tap water and yeast."""

    content: ContentIn
    dough_c: Temp
    room_c: Temp = 20.0
    cold_c: Temp = 5.0
    mixing: Literal["machine", "hand"] = "machine"
    friction_k: Annotated[float, Field(ge=0, le=20)] | None = None
    tap_c: Annotated[float, Field(ge=0, le=40)] = 12.0
    yeast: Literal["none", "instant", "dry"] = "none"


class FinishIn(In):
    """A formula to be finished: bake loss (%; null: the use's), and what a bought blend costs a kg."""

    content: ContentIn
    loss_pct: Annotated[float, Field(ge=0, lt=90)] | None = None
    bought_per_kg: Annotated[float, Field(ge=0, le=1e6)] | None = None


class BakeIn(In):
    """What went into a bake: the formula as it was, and the g of water that were poured in all."""

    content: ContentIn
    poured_g: Annotated[float, Field(ge=0, le=MAX_MASS_G)]
    baked_on: Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")] | None = None
    note: Annotated[str, Field(max_length=500)] = ""


class WithdrawIn(In):
    """Whether a bake is set aside, so that nothing is learnt from it."""

    withdrawn: bool


class FormulasQuery(PageQuery):
    """Which formulas: a page, and whether those put away."""

    archived: str = "0"


class FormulaExportQuery(In):
    """Which file: json, jsonld or markdown, of the draft or of a revision."""

    format: str = "json"
    revision: str = ""


class LineOut(Out):
    """One line as stored."""

    ingredient: str
    mass_g: float
    stage: str
    note: str


class PinnedOut(Out):
    """The pinned blend as stored."""

    blend_id: int | None
    revision: int | None
    name: str
    parts: list[PartOut]


class ContentOut(Out):
    """What is in a formula."""

    use: str | None
    consistency: str | None
    school: str | None
    pieces: int
    pan: str | None
    method: str
    blend: PinnedOut | None
    lines: list[LineOut]


class FormulaHead(Out):
    """A formula without what is in it."""

    id: int
    brief_id: int | None
    name: str
    archived: bool
    created_at: str
    updated_at: str
    version: int


class FormulaDraftOut(Out):
    """The draft on the bench."""

    content: ContentOut
    based_on: int | None
    updated_at: str
    version: int


class FormulaRevisionOut(Out):
    """A kept revision."""

    number: int
    content: ContentOut
    why: str
    based_on: int | None
    kept_at: str


class FormulaOut(Out):
    """A formula with its draft and revisions."""

    formula: FormulaHead
    draft: FormulaDraftOut
    revisions: list[FormulaRevisionOut]


class FormulaSummary(Out):
    """A formula in a list: how it stands, what it rests on, its water and how many bakes stand behind it."""

    formula: FormulaHead
    use: str | None
    blend_name: str
    state: Literal["empty", "held", "close", "passes", "unjudged"]
    say: str
    dough_g: float | None
    hydration_pct: float | None
    wanted_low_pct: float | None
    wanted_high_pct: float | None
    bakes: int
    revisions: int
    kept: bool


class FormulaList(Out):
    """A page of formulas."""

    items: list[FormulaSummary]
    next: str | None


class FormulaJudgementOut(RootModel[FormulaJudgement]):
    """The judgement of a formula."""


class PinOut(Out):
    """Whether the pinned blend has a newer revision, and what would change with it."""

    newer: int | None
    parts: list[PartOut]
    say: str
    changes: list[str]


class SwapOut(Out):
    """One candidate, with what it does to allergens, cost, energy, fat and water in the same view."""

    kind: str
    to: str
    name: str
    say: str
    lost: int
    losses: list[Loss]
    lines: list[LineOut]
    water_change_g: float
    short_g: float
    effects: Effects


class SwapsOut(Out):
    """The candidates for a line, the one that loses least first."""

    items: list[SwapOut]
    say: str


class ScaledOut(Out):
    """The scaled lines, exact and rounded to the scale; what is too fine for it; eggs and tin where there are any."""

    lines: list[LineOut]
    factor: float
    dough_g: float
    say: str
    rounded: Rounded
    eggs: Eggs | None
    tin: Filling | None


class ConvertedOut(RootModel[Converted]):
    """A binder's mass as another's."""


class DilutionOut(RootModel[Dilution]):
    """How to weigh a small dose."""


class WaterPlanOut(RootModel[WaterPlan]):
    """How warm the water must be."""


class CardOut(RootModel[Card]):
    """The card of a formula."""


class FinishedOut(RootModel[Finished]):
    """The finished bake."""


class BakeOut(Out):
    """Water that went into a bake, and what was predicted without correction, % of flour base."""

    id: int
    use: str
    baked_on: str
    flour_g: float
    poured_g: float
    actual_pct: float
    predicted_pct: float
    note: str
    withdrawn: bool


class LearningStep(Out):
    """The wanted water after so many bakes of this blend, % of flour base, of the formula as it stands."""

    bakes: int
    baked_on: str
    low_pct: float
    typical_pct: float
    high_pct: float
    actual_pct: float | None


class BakesOut(Out):
    """The bakes of a formula, how the range narrowed with each, and what is learnt at each level."""

    items: list[BakeOut]
    steps: list[LearningStep]
    learnt: list[Learnt]


class FormulaImportOut(Out):
    """An imported formula, and what there is to say about it."""

    formula: FormulaOut
    notes: list[str]


class FormulaReferenceOut(Out):
    """What the formula pages need to know once: stages, schools, pans, tins' fills, egg sizes, consistencies.

    `scale_shows_g` is the step of the kitchen's scale as it was last checked.
    """

    stages: list[str]
    schools: list[NamedLabel]
    pans: list[PanOut]
    eggs: list[EggOut]
    fills: dict[str, float]
    consistencies: dict[str, list[str]]
    scale_shows_g: float
    binders: list[str]


class NamedLabel(Out):
    """A name and its label."""

    name: str
    label: str


class PanOut(Out):
    """A pan material, its factor on time, and a note."""

    material: str
    time_factor: float
    note: str


class EggOut(Out):
    """An egg size: g without the shell."""

    region: str
    size: str
    edible_g: float


FormulaReferenceOut.model_rebuild()
