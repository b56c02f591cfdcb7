"""What the search for blends takes and answers. A stream answers with one such line after the other."""

from __future__ import annotations

from typing import Annotated, Any

from pydantic import Field, RootModel

from fallow_sieve.api.models import In, Name, Out, Parts, RowId, Slug
from fallow_sieve.core.optimise import Bags
from fallow_sieve.formats.briefs import AimName, WishListIn
from fallow_sieve.services.blends.mending import MendAnswer
from fallow_sieve.services.blends.proposals import Clash, FrontPoint, NearOne, PricesOfMore, ShownProposal, SkippedAim

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


class BetweenUsesIn(AskIn):
    """One of several uses, to be traded off against the others."""

    against: Slug


class MoreIn(AskIn):
    """A proposal, by its shares in % of flour base, and the aim it was found for."""

    aim: AimName
    shares: dict[Slug, Share] = Field(min_length=1, max_length=200)


class NearOut(Out):
    """The variants near a proposal."""

    variants: list[NearOne]


class BriefFileIn(In):
    """Wishes to be written as a brief file."""

    name: Name
    wishes: WishListIn


class BagsIn(In):
    """A blend whose sieves are tried with many bags."""

    parts: Annotated[Parts, Field(min_length=1)]
    use: Slug
    brief_id: RowId | None = None


class MendIn(BagsIn):
    """A blend to be mended, for a use and within a brief's limits; how many parts may be touched."""

    touch: int = Field(default=3, ge=1, le=4)


class BagsOut(RootModel[Bags]):
    """Of 100 bags, with how many the blend passes every sieve, gets through all, and each by itself."""


class MendOut(RootModel[MendAnswer]):
    """The ways to mend a blend, the fewest touched first; or the sieves that no small change can satisfy."""


class MorePrices(RootModel[PricesOfMore]):
    """The price of a little more of each of the usual metrics, and the slack of the limits that do not bind."""


class SearchLine(Out):
    """One line of a search: a proposal, an aim skipped, or a clash; the last says how it ended, or what went wrong."""

    proposal: ShownProposal | None = None
    skipped: SkippedAim | None = None
    conflict: Clash | None = None
    done: bool | None = None
    notes: list[str] | None = None
    stopped: bool | None = None
    problem: dict[str, Any] | None = None


class FrontLine(Out):
    """One line of a trade-off: a point, or that it is done, or what went wrong."""

    point: FrontPoint | None = None
    done: bool | None = None
    problem: dict[str, Any] | None = None
