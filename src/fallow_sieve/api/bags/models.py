"""What requests and answers about bought mixes carry."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from fallow_sieve.api.models import In, Out, Parts, Slug
from fallow_sieve.core.blends import Part
from fallow_sieve.core.blends.bought import OpenedShare, Together
from fallow_sieve.core.optimise import Likeness
from fallow_sieve.core.recipes import Listed
from fallow_sieve.formats.ingredients import PanelLine


class BoughtBagIn(In):
    """A bag's list and panel as pasted, ingredients chosen by place in the list, and what it is for."""

    list: Annotated[str, Field(max_length=4000)]
    panel: Annotated[str, Field(max_length=10_000)] = ""
    chosen: Annotated[dict[str, Slug], Field(max_length=60)] = Field(default_factory=dict)
    use: Slug | None = None


class BoughtNameOut(Out):
    """A name of the list, what it was understood as, and its name here."""

    listed: Listed
    name: str


class BoughtShareOut(Out):
    """A share of the bag with the name and role of its part."""

    share: OpenedShare
    name: str
    role: str


class BoughtBagOut(Out):
    """What a bag's label says is in it; `fit` and `say` are how it stands for the use, if one is named."""

    names: list[BoughtNameOut]
    panel: list[PanelLine]
    panel_say: str
    shares: list[BoughtShareOut]
    together: list[Together]
    draws: int
    parts: list[Part]
    left_out: list[str]
    fit: float | None
    say: str


class LikeIn(In):
    """The parts to make one like, what for, what to leave out, and whether it is to cost less."""

    parts: Annotated[Parts, Field(min_length=1)]
    use: Slug
    without: Annotated[list[Slug], Field(max_length=60)] = Field(default_factory=list)
    cheaper: bool = False


class LikePartOut(Out):
    """A part of a mix made alike: g, with its name and role."""

    part: Part
    name: str
    role: str


class LikeOut(Out):
    """The mix most alike from one's own bins, metric by metric."""

    parts: list[LikePartOut]
    likeness: list[Likeness]
    notes: list[str]
    fit: float | None
    say: str
    cost_per_kg: float | None
