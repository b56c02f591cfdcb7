"""What requests and answers about pasted recipes carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from fallow_sieve.api.formula_models import ContentOut, PinnedIn, School
from fallow_sieve.api.requests import In, Slug
from fallow_sieve.api.responses import Out
from fallow_sieve.core.formulas.gauges import Gauge
from fallow_sieve.core.recipes.checks import Finding


class ReadIn(In):
    """A recipe as text, and the ingredients chosen for lines by number."""

    text: Annotated[str, Field(max_length=20_000)]
    chosen: Annotated[dict[str, Slug], Field(max_length=300)] = Field(default_factory=dict)


class ConvertIn(ReadIn):
    """A recipe to be made over for a blend (its parts), for a use; `off` are changes to leave out."""

    blend: PinnedIn
    use: Slug
    school: School | None = None
    off: Annotated[list[Annotated[str, Field(max_length=40)]], Field(max_length=20)] = Field(default_factory=list)


class ReadLineOut(Out):
    """One line of a recipe as read; `understood` is yes, guessed, part or no."""

    number: int
    text: str
    name: str
    ingredient: str | None
    ingredient_name: str
    unit: str
    mass_g: float | None
    mass_low_g: float | None
    mass_high_g: float | None
    stage: str
    guesses: list[str]
    understood: Literal["yes", "guessed", "part", "no"]
    note: str
    near: list[str]
    wrong: str


class ReadOut(Out):
    """A recipe as read, what is odd about it, and the formula of what was understood."""

    title: str
    pieces: int | None
    lines: list[ReadLineOut]
    steps: list[str]
    unread: list[str]
    checks: list[Finding]
    content: ContentOut


class ChangeOut(Out):
    """One change of a conversion; `size_g` is null for advice."""

    key: str
    say: str
    reason: str
    size_g: float | None
    on: bool


class SideLine(Out):
    """One line of a side."""

    ingredient: str
    name: str
    stage: str
    mass_g: float
    flour_pct: float | None


class SideOut(Out):
    """One side of a conversion: its lines with % of flour, its totals and what it is judged by."""

    lines: list[SideLine]
    dough_g: float
    flour_g: float
    hydration_pct: float | None
    gauges: list[Gauge]
    say: str


class ConvertOut(Out):
    """A recipe made over: every change, the two sides, and the formula to go on with."""

    read: ReadOut
    changes: list[ChangeOut]
    poor: list[str]
    before: SideOut
    after: SideOut
    content: ContentOut
