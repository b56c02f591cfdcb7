"""What the search for blends takes and answers."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from fallow_sieve.api.requests import In, Name, Parts, RowId, Slug
from fallow_sieve.api.responses import Out, PartOut
from fallow_sieve.formats.brief_file import AimName, WishListIn

Share = Annotated[float, Field(ge=0, le=100)]


class AskIn(In):
    """Wishes, and the blend on the bench: its lots, its size and what proposals are set against."""

    wishes: WishListIn
    parts: Parts = Field(default_factory=list)
    library: bool = False


class WishesIn(In):
    """A blend on the bench, for which wishes are to be laid out."""

    parts: Parts = Field(default_factory=list)
    use: Slug
    brief_id: RowId | None = None


class WishesOut(WishListIn):
    """Wishes laid out, each of them named."""


class SweepIn(AskIn):
    """Two aims to be traded off."""

    x: AimName
    y: AimName


class MoreIn(AskIn):
    """A proposal, by its shares in % of flour base, and the aim it was found for."""

    aim: AimName
    shares: dict[Slug, Share] = Field(min_length=1, max_length=200)


class BriefFileIn(In):
    """Wishes to be written as a brief file."""

    name: Name
    wishes: WishListIn


class MendIn(In):
    """A blend to be mended, for a use and within a brief's limits; how many parts may be touched."""

    parts: Annotated[Parts, Field(min_length=1)]
    use: Slug
    brief_id: RowId | None = None
    touch: int = Field(default=3, ge=1, le=4)


class BagsIn(In):
    """A blend whose sieves are tried with many bags."""

    parts: Annotated[Parts, Field(min_length=1)]
    use: Slug
    brief_id: RowId | None = None


class BagShareOut(Out):
    """Of 100 bags, with how many the blend passes one sieve, and with how many it is not held."""

    metric: str
    passes_pct: float
    through_pct: float


class BagsOut(Out):
    """Of 100 bags, with how many the blend passes every sieve, gets through all, and each by itself."""

    passes_pct: float
    through_pct: float
    sieves: list[BagShareOut]
    weakest: str
    draws: int


class MoveOut(Out):
    """A part's share before and after, % of flour base."""

    ingredient: str
    name: str
    from_pct: float
    to_pct: float


class MendOptionOut(Out):
    """A way to mend: parts handled, mass moved (% of flour and g), the changes, and the parts that result."""

    touched: int
    moved_pct: float
    moved_g: float
    changes: list[MoveOut]
    parts: list[PartOut]
    score: float
    passes: bool


class MendAnswer(Out):
    """The ways to mend a blend, the fewest touched first; or the sieves that no small change can satisfy."""

    state: Literal["fine", "mended", "beyond"]
    say: str
    options: list[MendOptionOut]


class MoreOut(Out):
    """What one unit more of a metric costs, in `unit`, and up to which value that holds."""

    metric: str
    at: float
    price: float
    until: float
    unit: str


class SlackOut(Out):
    """A limit that does not bind, and how far it is, in `unit`."""

    limit: str
    side: str
    say: str
    slack: float
    unit: str


class MorePrices(Out):
    """The price of a little more of each of the usual metrics."""

    prices: list[MoreOut]
    slack: list[SlackOut]
