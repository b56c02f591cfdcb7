"""What requests and answers of photos, files, families and what comes next carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, RootModel

from fallow_sieve.api.models import In, Out, RowId
from fallow_sieve.api.trials.models import Line, Word
from fallow_sieve.core.trials.learning.learner import Lesson
from fallow_sieve.services.trials.bands import BandOffer
from fallow_sieve.services.trials.comparing import Multiples
from fallow_sieve.services.trials.family import Family
from fallow_sieve.services.trials.next_change.next_bakes import NextBakes
from fallow_sieve.services.trials.taught import BagTold
from fallow_sieve.store.trials import PhotoOnRecord


class PhotoQuery(In):
    """Which moment and arm a photo shows."""

    moment: Literal["mixing", "rising", "oven", "cut", "day"] = "cut"
    arm: Word | None = None


class PhotosOut(Out):
    """The photos of a trial, at most six."""

    items: list[PhotoOnRecord]


class TrialExportQuery(In):
    """Which format of a trial."""

    format: Literal["json", "csv"] = "json"


class BroughtOut(Out):
    """The trial that a file brought in or was noted on, and what there is to say of it."""

    id: int
    name: str
    formula_id: int
    notes: list[str]


class DifferenceQuery(In):
    """Which two trials are compared: from `a` to `b`."""

    a: RowId
    b: RowId


class MultiplesQuery(In):
    """The last trials of which formula, and how many."""

    formula: RowId
    last: Annotated[int, Field(ge=2, le=12)] = 8


class NextQuery(In):
    """Of which formula."""

    formula: RowId


class FamilyOut(RootModel[Family]):
    """The family of a formula."""


class MultiplesOut(RootModel[Multiples]):
    """The last trials of a formula."""


class NextOut(RootModel[NextBakes]):
    """What to bake next, and what is owed."""


class FoundIn(In):
    """What a hand says was found; empty takes it away."""

    found: Line


class TaughtOut(Out):
    """What trials taught for the next bake of a formula: a lesson a learner, bands that bakes speak for, other bags."""

    lessons: list[Lesson]
    bands: list[BandOffer]
    bags: list[BagTold]
