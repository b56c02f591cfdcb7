"""What requests and answers of weighings, bags and moves carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from fallow_sieve.api.batches.models import Grams, Key, Slug, Words
from fallow_sieve.api.models import In, Out, RowId
from fallow_sieve.formats.shared import Day


class WeighingIn(In):
    """A weighing, g: net, gross, tare; from which lot; read while stable, or typed; why, where a reason is due."""

    ingredient: Slug
    net_g: Grams
    lot_id: RowId | None = None
    gross_g: Annotated[float, Field(ge=0, le=1e6)] = 0.0
    tare_g: Annotated[float, Field(ge=0, le=1e6)] = 0.0
    typed: bool = False
    stable: bool = True
    why: Words = ""


class PourInIn(In):
    """So many g of a bag of an earlier batch, poured in."""

    bag_id: RowId
    mass_g: Grams


class VoidIn(In):
    """A weighing voided: why, and under which key of its own this is noted."""

    why: Words
    key: Key


class EmptyIn(In):
    """A lot that was found empty."""

    lot_id: RowId


class FillIn(In):
    """Bags or bins that were filled: how many, their size and what went into each (g), where they stand."""

    count: Annotated[int, Field(ge=1, le=500)] = 1
    size_g: Grams
    net_g: Grams
    place: Annotated[str, Field(max_length=80)] = ""
    is_bin: bool = False
    bin_id: RowId | None = None


class BatchBagIn(In):
    """Where a bag stands, and since when it is open."""

    place: Annotated[str, Field(max_length=80)] = ""
    opened_on: Day | None = None


class LeaveIn(In):
    """What leaves a bag (g), or with `counted` what was found left in it: why, where to, for which trial."""

    kind: Literal["used", "gone-out", "thrown-away", "counted"]
    mass_g: Annotated[float, Field(ge=0, le=1e6)]
    why: Words = ""
    where: Annotated[str, Field(max_length=120)] = ""
    trial_id: RowId | None = None


class WeighedOut(Out):
    """A weighing that counts once: its key and net mass (g)."""

    key: str
    net_g: float


class MoveOut(Out):
    """A move of stock: its kind, ± g."""

    kind: str
    mass_g: float


class EmptiedOut(Out):
    """How much a lot that was found empty should still have held, g."""

    missing_g: float
