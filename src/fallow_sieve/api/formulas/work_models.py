"""What work on a formula as it stands takes and answers."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, RootModel

from fallow_sieve.api.formula_content import FormulaContentIn
from fallow_sieve.api.models import Grams, In, NamedOut, Out, Slug
from fallow_sieve.core.blends import MAX_MASS_G
from fallow_sieve.core.formulas import (
    MAX_LINES,
    Converted,
    Dilution,
    Finished,
    FormulaJudgement,
    Learnt,
    Line,
    LineMoves,
    SmallDose,
    WaterPlan,
)
from fallow_sieve.services.formulas.learning import LearningStep
from fallow_sieve.services.formulas.scaling import ScaledFormula
from fallow_sieve.services.formulas.working import NewerBlend, SwapOffers
from fallow_sieve.store.trials import PourOnRecord

Temp = Annotated[float, Field(ge=-30, le=120)]


class OnContentIn(In):
    """A formula as it stands, to be looked at."""

    content: FormulaContentIn


class AddLineIn(In):
    """What to add to a formula: an ingredient, by its slug."""

    content: FormulaContentIn
    ingredient: Slug


class SwapIn(In):
    """Which line of a formula to swap, by its place."""

    content: FormulaContentIn
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

    content: FormulaContentIn
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


class SmallDosesIn(In):
    """A formula as it stands, and what the scale shows (g)."""

    content: FormulaContentIn
    readability_g: Annotated[float, Field(gt=0, le=1000)]


class WaterTemperatureIn(In):
    """What the dough should be (°C), how warm everything else is, the kind of mixing, tap water and yeast."""

    content: FormulaContentIn
    dough_c: Temp
    room_c: Temp = 20.0
    cold_c: Temp = 5.0
    mixing: Literal["machine", "hand"] = "machine"
    friction_k: Annotated[float, Field(ge=0, le=20)] | None = None
    tap_c: Annotated[float, Field(ge=0, le=40)] = 12.0
    yeast: Literal["none", "instant", "dry"] = "none"


class FinishIn(In):
    """A formula to be finished: bake loss (%; null: the use's), and what a bought blend costs a kg."""

    content: FormulaContentIn
    loss_pct: Annotated[float, Field(ge=0, lt=90)] | None = None
    bought_per_kg: Annotated[float, Field(ge=0, le=1e6)] | None = None


class BakeIn(In):
    """What went into a bake: the formula as it was, and the g of water that were poured in all."""

    content: FormulaContentIn
    poured_g: Annotated[float, Field(ge=0, le=MAX_MASS_G)]
    baked_on: Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")] | None = None
    note: Annotated[str, Field(max_length=500)] = ""


class WithdrawIn(In):
    """Whether a bake is set aside, so that nothing is learnt from it."""

    withdrawn: bool


class LineOut(RootModel[Line]):
    """One line."""


class FormulaJudgementOut(RootModel[FormulaJudgement]):
    """The judgement of a formula."""


class LineMovesOut(Out):
    """What a little more of each line does to each gauge."""

    items: list[LineMoves]


class PinOut(RootModel[NewerBlend]):
    """Whether the pinned blend has a newer revision, and what would change with it."""


class SwapsOut(RootModel[SwapOffers]):
    """The candidates for a line, the one that loses least first."""


class ScaledOut(RootModel[ScaledFormula]):
    """The scaled lines, exact and rounded to the scale; what is too fine for it; eggs and tin where there are any."""


class ConvertedOut(RootModel[Converted]):
    """A binder's mass as another's."""


class DilutionOut(RootModel[Dilution]):
    """How to weigh a small dose."""


class SmallDosesOut(Out):
    """The lines that the scale cannot weigh as they are, and how to dilute them."""

    items: list[SmallDose]


class WaterPlanOut(RootModel[WaterPlan]):
    """How warm the water must be."""


class FinishedOut(RootModel[Finished]):
    """The finished bake."""


class PoursOut(Out):
    """The pours of a formula, how the range narrowed with each, and what is learnt at each level."""

    items: list[PourOnRecord]
    steps: list[LearningStep]
    learnt: list[Learnt]


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


class FormulaReferenceOut(Out):
    """What the formula pages need to know once: moments, schools, pans, tins' fills, egg sizes, consistencies.

    `scale_shows_g` is the step of the kitchen's scale as it was last checked.
    """

    moments: list[str]
    water_line: Line
    schools: list[NamedOut]
    pans: list[PanOut]
    eggs: list[EggOut]
    fills: dict[str, float]
    consistencies: dict[str, list[str]]
    scale_shows_g: float
    binders: list[str]
