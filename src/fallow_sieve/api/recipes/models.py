"""What requests and answers about pasted recipes carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from fallow_sieve.api.formula_content import FormulaContentOut, PinnedIn, School
from fallow_sieve.api.models import In, Out, Slug
from fallow_sieve.core.recipes import ConversionStep, Pairing, RecipeCheck, Row
from fallow_sieve.services.recipes import MixPart, Side


class ReadIn(In):
    """A recipe as text, ingredients chosen for lines by number, and whose cups and eggs (null: as the text shows)."""

    text: Annotated[str, Field(max_length=20_000)]
    chosen: Annotated[dict[str, Slug], Field(max_length=300)] = Field(default_factory=dict)
    habit: Literal["us", "uk", "au", "ca", "eu", ""] | None = None


class ReadMixIn(In):
    """A mix as text: grams, cups, parts or percent; ingredients chosen by place (from 1)."""

    text: Annotated[str, Field(max_length=5000)]
    chosen: Annotated[dict[str, Slug], Field(max_length=60)] = Field(default_factory=dict)


class ConvertIn(ReadIn):
    """A recipe to be made over for a blend (its parts), for a use; `off` are changes to leave out."""

    blend: PinnedIn
    use: Slug
    school: School | None = None
    off: Annotated[list[Annotated[str, Field(max_length=40)]], Field(max_length=20)] = Field(default_factory=list)


class AlsoOut(Out):
    """A further thing that the same line names, g."""

    ingredient_name: str
    mass_g: float | None


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
    when: str
    guesses: list[str]
    understood: Literal["yes", "guessed", "part", "no"]
    note: str
    near: list[str]
    wrong: str
    in_dough: bool
    also: list[AlsoOut]


class ReadMixOut(Out):
    """A pasted mix as read, part by part."""

    lines: list[ReadLineOut]


class FoundMixOut(Out):
    """The mix that a recipe names itself (g), how it stands for the use that is guessed, and the formula on it."""

    parts: list[MixPart]
    score: float | None
    say: str
    content: FormulaContentOut


class ReadOut(Out):
    """A recipe as read, what is odd about it, and the formula of what was understood."""

    title: str
    pieces: int | None
    lines: list[ReadLineOut]
    steps: list[str]
    unread: list[str]
    checks: list[RecipeCheck]
    content: FormulaContentOut
    rows: list[Row]
    habit: str
    say: str
    use: str | None
    mix: FoundMixOut | None


class ConvertOut(Out):
    """A recipe made over: every change, what causes what holds it, the two sides, and the formula to go on with.

    `own_mix` says that it was gluten-free before.
    """

    read: ReadOut
    changes: list[ConversionStep]
    poor: list[str]
    causes: list[str]
    own_mix: bool
    before: Side
    after: Side
    pairs: list[Pairing]
    content: FormulaContentOut
