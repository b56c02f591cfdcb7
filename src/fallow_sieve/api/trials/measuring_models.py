"""Models of the ways to measure a bake."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field, RootModel

from fallow_sieve.api.models import In, Out
from fallow_sieve.core.trials.explaining import MeasureExplained

_Number = Annotated[float, Field(ge=0, le=100_000)]
_Name = Annotated[str, Field(min_length=1, max_length=40)]


class AskedOut(Out):
    """A number that a way asks for, in its unit; several may be taken; usual is taken where none is given."""

    name: str
    label: str
    unit: str
    several: bool
    usual: float | None


class MeasureWayOut(Out):
    """A way to measure a quantity (in `unit`): how, and what it asks for."""

    name: str
    label: str
    quantity: str
    unit: str
    how: str
    asks: list[AskedOut]


class MeasuringOut(Out):
    """The ways to measure a bake."""

    items: list[MeasureWayOut]


class MeasureIn(In):
    """The numbers of one way, by what it asks for."""

    way: _Name
    numbers: Annotated[
        dict[_Name, Annotated[list[_Number], Field(max_length=20)]], Field(default_factory=dict, max_length=12)
    ]


class MeasureQuery(In):
    """Which arm of a trial."""

    arm: _Name | None = None


class MeasureExplainedOut(RootModel[MeasureExplained]):
    """How a measure of a bake came about, what it rests on, and how far the next limit is."""


class TakenOut(Out):
    """A measure as taken: value and sd in its quantity's unit (null: it cannot be told, and why), of how many."""

    quantity: str
    value: float | None
    sd: float | None
    n: int
    method: str
    say: str
