"""What requests and answers about briefs carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, RootModel

from fallow_sieve.api.models import In, Limit, ListOut, Metric, Name, PageQuery, Slug, Text
from fallow_sieve.core.blends import MAX_PARTS, BagKind, BandChange, Limits, NamedUse
from fallow_sieve.services.briefs import BriefStanding

MOST_USES = 12
AimOfBrief = Literal["nearest", "more-fibre", "more-protein", "cheapest", "whole-grain", "low-carbohydrate", "mildest"]


class BandChangeIn(In):
    """A brief's own limit on a metric, in the metric's unit; null leaves the use's."""

    metric: Metric
    hard_low: Limit | None = None
    good_low: Limit | None = None
    good_high: Limit | None = None
    hard_high: Limit | None = None


class NamedUseIn(In):
    """One of several uses that a brief is for, with its weight among them."""

    use: Slug
    weight: Limit = 1.0


class LimitsIn(In):
    """What a brief asks besides its use."""

    exclude_allergens: list[Slug] = Field(default_factory=list, max_length=40)
    exclude: list[Slug] = Field(default_factory=list, max_length=200)
    price_cap_per_kg: Limit | None = None
    max_bins: int | None = Field(default=None, ge=1, le=MAX_PARTS)
    gluten_cap_mg_per_kg: Limit | None = None
    bands: list[BandChangeIn] = Field(default_factory=list, max_length=20)
    bag: Annotated[BagKind, Field(strict=False)] | None = None
    max_gum_pct: Annotated[float, Field(ge=0, le=20)] | None = None
    uses: list[NamedUseIn] = Field(default_factory=list, max_length=MOST_USES)

    @property
    def limits(self) -> Limits:
        """The same as the core's."""
        return Limits(
            exclude_allergens=tuple(self.exclude_allergens),
            exclude=tuple(self.exclude),
            price_cap_per_kg=self.price_cap_per_kg,
            max_bins=self.max_bins,
            gluten_cap_mg_per_kg=self.gluten_cap_mg_per_kg,
            bands=tuple(BandChange(**b.model_dump()) for b in self.bands),
            bag=self.bag,
            max_gum_pct=self.max_gum_pct,
            uses=tuple(NamedUse(u.use, u.weight) for u in self.uses),
        )


class BriefIn(In):
    """A brief: what for, for whom, to what aim, within what limits."""

    name: Name
    use: Slug
    eaters: Text = ""
    aim: AimOfBrief = "nearest"
    note: Text = ""
    limits: LimitsIn = Field(default_factory=LimitsIn)
    archived: bool = False


class BriefsQuery(PageQuery):
    """Which briefs: those at work, or those put away."""

    archived: Literal["0", "1"] = "0"


class BriefSummary(RootModel[BriefStanding]):
    """A brief with its limits in words, its state, the next step, and its blends."""


class BriefList(ListOut):
    """A page of briefs."""

    items: list[BriefStanding]
