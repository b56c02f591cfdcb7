"""What requests and answers of the first hour carry."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from fallow_sieve.api.briefs.models import LimitsIn
from fallow_sieve.api.models import In, Out, Slug

Amount = Annotated[float, Field(gt=0, le=1e8)]
Price = Annotated[float, Field(ge=0, le=1e6)]


class LookIn(In):
    """Whether to look into the demo kitchen, or to come back to one's own."""

    demo: bool


class SaidIn(In):
    """A text as it was typed or pasted."""

    text: Annotated[str, Field(max_length=20_000)]


class SaidBriefOut(Out):
    """A brief as read from words: what was read is in `said`, what was not in `left`; `use` null: none was named."""

    name: str
    use: str | None
    use_name: str
    aim: str
    eaters: str
    limits: LimitsIn
    said: list[str]
    left: list[str]


class SaidBinOut(Out):
    """A bin as read: null is not said; `near` are names that it is like, `wrong` is what is missing."""

    text: str
    name: str
    ingredient: str | None
    ingredient_name: str
    stock_g: float | None
    price_per_kg: float | None
    guesses: list[str]
    near: list[str]
    wrong: str


class SaidBinsOut(Out):
    """The bins as read, in their order."""

    items: list[SaidBinOut]


class KeepBinIn(In):
    """A bin to keep: g that are there, price per kg; null: not said."""

    ingredient: Slug
    stock_g: Amount | None = None
    price_per_kg: Price | None = None


class KeepBinsIn(In):
    """The bins to keep."""

    bins: Annotated[list[KeepBinIn], Field(min_length=1, max_length=300)]


class KeptBinsOut(Out):
    """How many lots and prices were kept."""

    lots: int
    prices: int
    say: str


class SortedOut(Out):
    """What a text is (recipe, mix, list, panel, nothing) and why; its panel apart; the flour a panel names."""

    kind: str
    why: str
    text: str
    panel: str
    ingredient: str | None
