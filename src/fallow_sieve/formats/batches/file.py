"""The batch file: a batch with its pinned parts, weighings with their lots, steps, bags, and its moves."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from fallow_sieve.formats.shared import Day, Slug, Strict

Grams = Annotated[float, Field(ge=0, le=1e6)]
Text = Annotated[str, Field(max_length=300)]
Short = Annotated[str, Field(max_length=80)]


class LotFile(Strict):
    """The lot that was drawn from, as it was known: supplier, dates, gluten (mg/kg) with its basis."""

    code: Short
    supplier: Short = ""
    supplier_code: Short = ""
    best_before: Day | None = None
    bought_on: Day | None = None
    milled_on: Day | None = None
    gluten_mg_per_kg: Annotated[float, Field(ge=0, le=1e6)] | None = None
    gluten_on: Day | None = None


class BatchPartFile(Strict):
    """A part of the pinned revision: g, and what of it was wanted in the batch, g."""

    ingredient: Slug
    mass_g: Grams
    target_g: Grams = 0.0


class WeighingFile(Strict):
    """A weighing: net, gross and tare (g), its lot, typed or read, when; one that voids another names its key."""

    key: Short
    ingredient: Slug
    net_g: Grams
    lot: LotFile | None = None
    gross_g: Grams = 0.0
    tare_g: Grams = 0.0
    typed: bool = False
    at: Short = ""
    voids: Short = ""
    why: Text = ""


class BatchStepFile(Strict):
    """A step that was done."""

    kind: Short
    at: Short = ""
    minutes: Annotated[float, Field(ge=0, le=10_000)] | None = None
    note: Text = ""


class BagFile(Strict):
    """A bag or bin: what went in and what is left (g), where it stands, since when it is open."""

    number: Annotated[int, Field(ge=1, le=10_000)]
    is_bin: bool = False
    size_g: Grams
    net_g: Grams
    left_g: Grams
    place: Short = ""
    opened_on: Day | None = None


class BatchFile(Strict):
    """A batch as a file."""

    format: Literal["fallow-sieve/batch"] = "fallow-sieve/batch"
    version: Annotated[int, Field(ge=1, le=1)] = 1
    code: Short = ""
    name: Annotated[str, Field(max_length=120)]
    revision: Annotated[int, Field(ge=1, le=1_000_000)] = 1
    use: Short | None = None
    state: Literal["planned", "weighing", "blended", "bagged", "used-up", "abandoned"] = "planned"
    made_on: Day | None = None
    bag_g: Annotated[float, Field(gt=0, le=1e6)] | None = None
    parts: Annotated[list[BatchPartFile], Field(min_length=1, max_length=200)]
    weighings: Annotated[list[WeighingFile], Field(max_length=5000)] = Field(default_factory=list)
    steps: Annotated[list[BatchStepFile], Field(max_length=1000)] = Field(default_factory=list)
    bags: Annotated[list[BagFile], Field(max_length=1000)] = Field(default_factory=list)
    held: Text = ""
