"""What requests and answers of experiments carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, RootModel

from fallow_sieve.api.models import In, Name, Out, RowId
from fallow_sieve.formats.experiments import FitTold, MapTold
from fallow_sieve.services.blends.column import PartOfMix
from fallow_sieve.services.experiments.drawing import Drawn
from fallow_sieve.services.experiments.joining import JoinedSeen
from fallow_sieve.services.experiments.page import ExperimentStanding, PointSeen, RunSeen

Slug = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,79}$")]
Pct = Annotated[float, Field(ge=0, le=100)]
Shares = Annotated[list[Annotated[float, Field(ge=0, le=1)]], Field(min_length=2, max_length=4)]
Value = Annotated[float, Field(ge=-1e6, le=1e6)]


class NewExperimentIn(In):
    """An experiment to begin, on a formula as its draft stands."""

    formula_id: RowId
    name: Annotated[str, Field(max_length=120)] = ""


class VariedIn(In):
    """A part that is varied: its name, its ingredients in a fixed ratio, least and most share, % of flour base."""

    name: Annotated[str, Field(min_length=1, max_length=60, pattern=r"\S")]
    ratio: Annotated[dict[Slug, Annotated[float, Field(gt=0, le=1e6)]], Field(min_length=1, max_length=8)]
    low_pct: Pct
    high_pct: Pct


class WishAlsoIn(In):
    """What is wished of a response beside others, in its unit."""

    response: Annotated[str, Field(max_length=40)]
    at_least: Value
    at_best: Value
    weight: Annotated[float, Field(gt=0, le=100)] = 1.0


class ExperimentAskedIn(In):
    """What is asked: parts, which walls of the use hold, bakes on days, size of a bake (g of flour), scale step (g)."""

    parts: Annotated[list[VariedIn], Field(min_length=2, max_length=4)]
    walls: Literal["hard", "good", "nearly", "none"] = "hard"
    bakes: Annotated[int, Field(ge=2, le=40)] = 8
    days: Annotated[int, Field(ge=1, le=12)] = 2
    seed: Annotated[int, Field(ge=0, le=2**31)] = 1
    flour_g: Annotated[float, Field(ge=20, le=100_000)] = 1000.0
    step_g: Annotated[float, Field(ge=0.01, le=100)] = 1.0
    response: Annotated[str, Field(max_length=40)] = "liking"
    worth: Annotated[float, Field(gt=0, le=1000)] = 1.0
    max_price: Annotated[float, Field(gt=0, le=1e6)] | None = None
    i_optimal: bool = False
    also: Annotated[list[WishAlsoIn], Field(max_length=5)] = Field(default_factory=list)


class ExperimentIn(In):
    """An experiment as it is set."""

    name: Name
    note: Annotated[str, Field(max_length=2000)] = ""
    archived: bool = False
    asked: ExperimentAskedIn


class RunIn(In):
    """What came out of a bake by hand (value and its standard error, in the response's unit), failed, what was seen."""

    value: Value | None = None
    se: Annotated[float, Field(ge=0, le=1e6)] | None = None
    failed: bool = False
    seen: Annotated[str, Field(max_length=140)] = ""


class NextIn(In):
    """How many next bakes to add, at most three; or a point of one's own (shares 0–1)."""

    count: Annotated[int, Field(ge=1, le=3)] = 1
    x: Shares | None = None


class PointIn(In):
    """A point: shares 0–1 of what is varied, together 1."""

    x: Shares


class ExperimentAskedOut(Out):
    """What is asked."""

    parts: list[VariedOut]
    walls: str
    bakes: int
    days: int
    seed: int
    flour_g: float
    step_g: float
    response: str
    worth: float
    max_price: float | None
    i_optimal: bool
    also: list[WishAlsoOut]


class WishAlsoOut(Out):
    """What is wished of a response beside others, in its unit."""

    response: str
    at_least: float
    at_best: float
    weight: float


class VariedOut(Out):
    """A part that is varied: ratio as shares that sum to 1; least and most share, % of flour base."""

    name: str
    ratio: dict[str, float]
    low_pct: float
    high_pct: float


class ResponseOut(Out):
    """What is mapped: label, unit, the unit that matters."""

    name: str
    label: str
    unit: str
    matters: float


class ExperimentOut(Out):
    """An experiment with all that its page shows."""

    id: int
    version: int
    name: str
    note: str
    archived: bool
    created_at: str
    formula_id: int
    formula_name: str
    blend_id: int | None
    blend_name: str
    blend_revision: int | None
    asked: ExperimentAskedOut
    responses: list[ResponseOut]
    response: ResponseOut
    today: list[float]
    total_pct: float
    rows: list[str]
    runs: list[RunSeen]
    map: MapTold | None
    picture: Drawn | None
    columns: list[list[PartOfMix]]
    checks: list[str]
    fits: dict[str, FitTold]
    bands: list[str]
    joined: JoinedSeen | None
    planned_se: float | None
    cost: float | None
    say: str
    trouble: str


class ExperimentList(Out):
    """Experiments, the newest first, and where the next page begins."""

    items: list[ExperimentStanding]
    next: int | None


class ExperimentsQuery(In):
    """Which page of experiments."""

    cursor: int | None = None
    limit: int | None = None


class SliceQuery(In):
    """At which share (0–1) of a fourth part the map is drawn."""

    fourth: float | None = None


class PointOut(RootModel[PointSeen]):
    """A point of the map as it is seen."""


class BakedOut(Out):
    """The trial of a bake."""

    trial_id: int


class KeptOut(Out):
    """The blend and the revision that a point was kept as."""

    blend_id: int
    revision: int
