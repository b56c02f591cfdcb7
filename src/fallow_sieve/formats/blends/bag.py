"""The label of a bought mix as a file, and what `open-bag --json` prints of it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from pydantic import Field

from fallow_sieve.core.blends.bought import MOST_PARTS, Opened
from fallow_sieve.core.ingredients import PRINTED
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.shared import Out, Slug, Strict, parse_json, validate

Printed = float | int | str


class BagFile(Strict):
    """A bag's label: slugs in falling mass, numbers printed per 100 g, shares printed beside names (%)."""

    ingredients: list[Slug] = Field(min_length=1, max_length=MOST_PARTS)
    per_100_g: dict[str, Printed] = Field(default_factory=dict, max_length=20)
    printed_pct: dict[Slug, Printed] = Field(default_factory=dict, max_length=MOST_PARTS)
    carbohydrate: Literal["inside", "apart", ""] = ""
    two_percent_or_less: list[Slug] = Field(default_factory=list, max_length=MOST_PARTS)


@dataclass(frozen=True, slots=True)
class BagDocument:
    """A bag as read: slugs in falling mass, numbers and shares as texts (their figures show how they are rounded)."""

    ingredients: tuple[str, ...]
    per_100_g: dict[str, str]
    printed_pct: dict[str, str]
    carbohydrate: str
    under_2_pct: tuple[str, ...]


class OpenedShareOut(Out):
    """The share of a part in % of the mix, and the range in which it lies 19 times in 20."""

    ingredient: str
    typical_pct: float
    low_pct: float
    high_pct: float


class TogetherOut(Out):
    """Parts that the panel cannot tell apart, and what they are together, % of the mix."""

    ingredients: list[str]
    typical_pct: float
    low_pct: float
    high_pct: float


class OpenedAnswer(Out):
    """The answer of `fallow-sieve open-bag --json`: shares, what is only known together, how many draws speak."""

    shares: list[OpenedShareOut]
    together: list[TogetherOut]
    draws: int


def read_bag(data: bytes) -> BagDocument:
    """Return the label that a bag file holds. Raises BadInputError naming the place by JSON pointer."""
    file = validate(BagFile, parse_json(data))
    for name in file.per_100_g:
        if name not in PRINTED:
            raise BadInputError(shown(name), place=f"/per_100_g/{name}", right=f"one of {', '.join(PRINTED)}")
    return BagDocument(
        tuple(file.ingredients),
        {name: _text(value) for name, value in file.per_100_g.items()},
        {slug: _text(value) for slug, value in file.printed_pct.items()},
        file.carbohydrate,
        tuple(file.two_percent_or_less),
    )


def _text(value: Printed) -> str:
    """A number as it was printed: 4.0 has a decimal that 4 has not; a computed one is cut to four."""
    if isinstance(value, float) and value != round(value, 4):
        return f"{value:.4f}"
    return str(value)


def opened_answer(opened: Opened) -> OpenedAnswer:
    """Return the answer of an opened bag."""
    return OpenedAnswer(
        shares=[OpenedShareOut.model_validate(s, from_attributes=True) for s in opened.shares],
        together=[
            TogetherOut(
                ingredients=list(t.ingredients), typical_pct=t.typical_pct, low_pct=t.low_pct, high_pct=t.high_pct
            )
            for t in opened.together
        ],
        draws=opened.draws,
    )
