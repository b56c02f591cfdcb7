"""What requests and answers of stock carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, RootModel

from fallow_sieve.api.models import In, Out, RowId
from fallow_sieve.services.batches.bags.bins import BinSeen
from fallow_sieve.services.stock.buying import ToBuy
from fallow_sieve.services.stock.counting import Counted, ToCount
from fallow_sieve.services.stock.holding import Held
from fallow_sieve.services.stock.trace import Trace
from fallow_sieve.store.stock import Drill, MoveSeen

Reason = Annotated[str, Field(max_length=300)]
Grams = Annotated[float, Field(ge=0, le=1e8)]


class BinIn(In):
    """A bin: its name and place, what it holds at most and weighs empty (g), and whether it is clean and empty."""

    name: Annotated[str, Field(min_length=1, max_length=60)]
    place: Annotated[str, Field(max_length=80)] = ""
    capacity_g: Annotated[float, Field(gt=0, le=1e6)] | None = None
    tare_g: Annotated[float, Field(ge=0, le=1e6)] | None = None
    clean: bool = False
    archived: bool = False


class BinGrossIn(In):
    """What a bin weighs with what is in it, g."""

    gross_g: Annotated[float, Field(gt=0, le=2e6)]


class BinList(Out):
    """The bins, by place and name."""

    items: list[BinSeen]


class HoldIn(In):
    """Why something is held, and whether it is recalled."""

    why: Reason
    recalled: bool = False


class ReleaseIn(In):
    """Why something is released."""

    why: Reason


class CountIn(In):
    """A count of a lot or a bag, g, and what explains the difference."""

    kind: Literal["lot", "bag"]
    id: RowId
    mass_g: Grams
    cause: Annotated[str, Field(max_length=40)] = ""


class DrillFoundIn(In):
    """What a drill found, g, and what was missing."""

    found_g: Grams
    missing: Reason = ""


class TraceOut(RootModel[Trace]):
    """A trace, both ways."""


class HeldOut(RootModel[Held]):
    """What a hold holds."""


class CountedOut(RootModel[Counted]):
    """A count against the book."""


class DrillOut(RootModel[Drill]):
    """A drill."""


class ReleasedOut(Out):
    """How many holds ended."""

    ended: int


class ToCountOut(Out):
    """What is to be counted, and what a difference may be explained by."""

    items: list[ToCount]
    causes: list[str]


class ToBuyOut(Out):
    """What is to be bought, by supplier, in the kitchen's currency."""

    items: list[ToBuy]
    currency: str


class MovesOut(Out):
    """The moves of a lot, the first one first."""

    items: list[MoveSeen]
