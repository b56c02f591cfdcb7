"""What requests and answers about blends carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, RootModel

from fallow_sieve.api.models import (
    DocumentOut,
    DraftIn,
    DraftOut,
    In,
    ListOut,
    Metric,
    NewDocumentIn,
    Out,
    Parts,
    RevisionOut,
    RowId,
    Slug,
    SummaryOut,
)
from fallow_sieve.core.blends import Difference, Explanation, GoodFor, Judgement, Part
from fallow_sieve.services.blends.judging import NutritionColumn
from fallow_sieve.services.blends.practice import MixOnRecord
from fallow_sieve.services.blends.standing import BlendStanding


class BlendContentIn(In):
    """What is in a blend: its parts, and what they are for."""

    use: Slug | None = None
    parts: Parts = Field(default_factory=list)


class NewBlendIn(NewDocumentIn):
    """A blend to add."""

    content: BlendContentIn = Field(default_factory=BlendContentIn)


class BlendDraftIn(DraftIn):
    """A blend's draft to save."""

    content: BlendContentIn


class BlendContentOut(Out):
    """What is in a blend: its parts, and what they are for."""

    use: str | None
    parts: list[Part]


class BlendDraftOut(DraftOut):
    """A blend on the bench."""

    content: BlendContentOut


class BlendRevisionOut(RevisionOut):
    """A kept revision of a blend; its use is what it was for."""

    content: BlendContentOut


class BlendOut(DocumentOut):
    """A blend with its draft and revisions."""

    draft: BlendDraftOut
    revisions: list[BlendRevisionOut]


class BlendSummary(SummaryOut):
    """A blend in a list, and how it stands."""

    standing: BlendStanding


class BlendList(ListOut):
    """A page of blends."""

    items: list[BlendSummary]


class JudgeIn(In):
    """Parts to judge, for a use and within a brief's limits."""

    parts: Parts
    use: Slug | None = None
    brief_id: RowId | None = None


class ExplainIn(In):
    """A metric of a blend, to be explained."""

    parts: Parts
    metric: Metric
    use: Slug | None = None


class ComposeIn(In):
    """A change: a part's share of the flour base (%), the size of the batch (g), or a part added for a use."""

    parts: Parts
    action: Literal["set-flour-share", "scale-to", "add"]
    ingredient: Slug | None = None
    value: float | None = Field(default=None, gt=0, le=1e7)
    use: Slug | None = None


class DifferenceIn(In):
    """Two blends, before and after."""

    before: Parts
    after: Parts


class JudgementOut(RootModel[Judgement]):
    """The judgement of a blend."""


class PracticeOut(Out):
    """The mixes on record for a use, with their metrics."""

    mixes: list[MixOnRecord]


class GoodForIn(In):
    """A mix whose uses are asked for."""

    parts: Annotated[Parts, Field(min_length=1)]


class GoodForOut(RootModel[GoodFor]):
    """How a mix stands for every use, the best first, and in one sentence."""


class ExplanationOut(RootModel[Explanation]):
    """How a metric was worked out."""


class DifferenceOut(RootModel[Difference]):
    """What changed between two blends."""


class PartsOut(Out):
    """The parts after a change."""

    parts: list[Part]


class NutritionOut(Out):
    """A mix on three bases: 100 g, a quarter cup, the kitchen's serving; each with known shares."""

    columns: list[NutritionColumn]


class BlendImportQuery(In):
    """What to call an imported blend, and the brief it is for."""

    name: Annotated[str, Field(max_length=120)] = ""
    brief_id: RowId | None = None


class BlendExportQuery(In):
    """Which file to write, of the draft (0) or of a revision."""

    format: Literal["json", "csv"] = "json"
    revision: int = Field(default=0, ge=0, le=2**31)


class BlendImportOut(Out):
    """An imported blend, and what there is to say about it."""

    blend: BlendOut
    notes: list[str]
