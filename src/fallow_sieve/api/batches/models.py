"""What requests and answers of batches carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, RootModel

from fallow_sieve.api.models import In, Name, Out, RowId
from fallow_sieve.core.batches.planning import TOLERANCE_OF_SMALL_PCT, TOLERANCE_PCT
from fallow_sieve.reference.labelling import LabelSize, Mixing
from fallow_sieve.services.batches.labels.proof import Proof
from fallow_sieve.services.batches.line import LineOrder
from fallow_sieve.services.batches.listing import BatchesSeen
from fallow_sieve.services.batches.over import Ways
from fallow_sieve.services.batches.page import BatchSeen

Slug = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,79}$")]
Key = Annotated[str, Field(pattern=r"^[A-Za-z0-9-]{8,64}$")]
Grams = Annotated[float, Field(gt=0, le=1e6)]
StepKind = Literal[
    "sieve",
    "premix",
    "pour",
    "mix",
    "rest",
    "clean",
    "after-gluten",
    "sample",
    "gluten-test",
    "may-contain",
    "note",
]
Tolerance = Annotated[float, Field(gt=0, le=20)]
Words = Annotated[str, Field(max_length=300)]


class NewBatchIn(In):
    """A batch to plan from a kept revision of a blend; without one the latest."""

    blend_id: RowId
    revision: Annotated[int, Field(ge=1, le=1_000_000)] | None = None


class WantedIn(In):
    """What is to be made: bags of a size, or so much in all (g), and the loss on the way (%)."""

    bags: Annotated[int, Field(ge=1, le=500)] = 1
    bag_g: Annotated[float, Field(ge=10, le=50_000)] = 500.0
    total_g: Grams | None = None
    loss_pct: Annotated[float, Field(ge=0, lt=50)] = 1.0


class BatchMakingIn(In):
    """How a batch is made: way of mixing, vessel (L), scale (step, capacity in g), container (g), tolerances."""

    blender: Slug = "bowl-whisk"
    vessel_l: Annotated[float, Field(gt=0, le=1000)] | None = None
    scale: Annotated[str, Field(max_length=60)] = "Simulated scale"
    step_g: Annotated[float, Field(ge=0.001, le=100)] = 1.0
    capacity_g: Annotated[float, Field(ge=10, le=1e6)] = 5000.0
    container_g: Annotated[float, Field(ge=0, le=1e5)] = 0.0
    tolerance_pct: Tolerance = TOLERANCE_PCT
    tolerance_of_small_pct: Tolerance = TOLERANCE_OF_SMALL_PCT


class BatchIn(In):
    """A plan as it is set."""

    name: Name
    note: Annotated[str, Field(max_length=2000)] = ""
    archived: bool = False
    wanted: WantedIn
    making: BatchMakingIn


class StateIn(In):
    """Where a batch goes. Of one that is given up, each ingredient goes `back` into its lot or `away`."""

    to: Literal["planned", "weighing", "blended", "bagged", "used-up", "abandoned"]
    fate: dict[Slug, Literal["back", "away"]] = Field(default_factory=dict)
    why: Words = ""


class GrowIn(In):
    """A batch made larger so that an over-poured part is right."""

    ingredient: Slug


class BatchStepIn(In):
    """A step that was done: its kind, minutes, values by name, a note."""

    kind: StepKind
    minutes: Annotated[float, Field(ge=0, le=10_000)] | None = None
    said: dict[Annotated[str, Field(max_length=40)], float | Annotated[str, Field(max_length=120)]] = Field(
        default_factory=dict, max_length=12
    )
    note: Words = ""


class EvennessIn(In):
    """An evenness test: readings or counts of samples of `sample_g` g, from all depths, after bagging."""

    method: Literal["measured", "counted"]
    values: Annotated[list[Annotated[float, Field(ge=0, le=1e9)]], Field(max_length=100)]
    sample_g: Annotated[float, Field(gt=0, le=10_000)] = 30.0
    note: Words = ""


class LabelQuery(In):
    """By what a label is proofed: scheme, language, size, g in a bag, a portion (g), the formula for claims."""

    scheme: str | None = None
    language: str | None = None
    size: str | None = None
    bag_g: float | None = None
    portion_g: float | None = None
    formula: int | None = None


class LabelNoteIn(In):
    """A label that was printed, or checked by which evidence. No person's name."""

    kind: Literal["printed", "checked"]
    scheme: Annotated[str, Field(max_length=20)] = "eu"
    language: Annotated[str, Field(max_length=20)] = ""
    size: Annotated[str, Field(max_length=40)] = ""
    bag_g: Grams | None = None
    evidence: Words = ""


class BatchesQuery(In):
    """Which page of batches."""

    cursor: int | None = None
    limit: int | None = None


class BatchExportQuery(In):
    """Which file of a batch to write."""

    format: Literal["json", "weighings", "bags", "moves"] = "json"


class WeighSheetIn(In):
    """Where a weigh-up sheet is served: an address of this machine, and a port (0: any that is free)."""

    host: Annotated[str, Field(min_length=1, max_length=60)]
    port: Annotated[int, Field(ge=0, le=65535)] = 0


class WeighSheetOut(Out):
    """An address that opens one weigh-up until `ends_at`, and a code to point a phone at; it is shown once."""

    url: str
    qr_svg: str
    ends_at: str


class OverQuery(In):
    """The part of which too much is in."""

    ingredient: str


class MixingList(Out):
    """The ways of mixing, by hand and in machines."""

    items: list[Mixing]


class ChoicesOut(Out):
    """What a label can be made by: schemes and languages with their names, sizes."""

    schemes: dict[str, str]
    languages: dict[str, str]
    sizes: list[LabelSize]


class CodeQuery(In):
    """A code as it was typed or scanned."""

    typed: str


class BatchOut(RootModel[BatchSeen]):
    """A batch with all that its page shows."""


class BatchList(RootModel[BatchesSeen]):
    """The batches, what needs a hand first."""


class OrderOut(RootModel[LineOrder]):
    """The planned batches in the order they are best made in."""


class OverPouredOut(RootModel[Ways]):
    """The ways out of an over-poured part."""


class ProofOut(RootModel[Proof]):
    """A label with its proof."""


class CodeOut(Out):
    """A code as it is meant, whether its check holds, and the batch that has it (None: none)."""

    code: str
    valid: bool
    bag: int | None
    batch_id: int | None
