"""What requests may carry: bodies and queries."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from fallow_sieve.core.blends.blend import MAX_MASS_G, MAX_PARTS
from fallow_sieve.formats.blend_file import SLUG_PATTERN

Slug = Annotated[str, Field(pattern=SLUG_PATTERN, max_length=80)]
Name = Annotated[str, Field(min_length=1, max_length=120, pattern=r"\S")]
Text = Annotated[str, Field(max_length=2000)]
RowId = Annotated[int, Field(ge=1, le=2**53)]
Metric = Annotated[str, Field(max_length=60)]
Limit = Annotated[float, Field(ge=0, le=1e6)]
Aim = Literal["nearest", "more-fibre", "more-protein", "cheapest", "whole-grain"]


class In(BaseModel):
    """What a request may carry: nothing else, nothing coerced, no NaN."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)


class PartIn(In):
    """One part of a blend on the bench; with `lot_id` it draws on that lot."""

    ingredient: Slug
    mass_g: float = Field(gt=0, le=MAX_MASS_G)
    locked: bool = False
    lot_id: RowId | None = None


Parts = Annotated[list[PartIn], Field(max_length=MAX_PARTS)]


class JudgeIn(In):
    """Parts to judge, for a use and within a brief's limits."""

    parts: Parts
    use: Slug | None = None
    brief_id: RowId | None = None


class ExplainIn(In):
    """A metric of a blend, to be explained."""

    parts: Parts
    metric: Metric


class ComposeIn(In):
    """A change: a part's share of the flour base (%), the size of the batch (g), or a part added for a use."""

    parts: Parts
    action: Literal["set-flour-share", "scale-to", "add"]
    ingredient: Slug | None = None
    value: float | None = Field(default=None, gt=0, le=1e7)
    use: Slug | None = None


class DifferenceIn(In):
    """Two blends, before and after."""

    before: Parts
    after: Parts


class BandChangeIn(In):
    """A brief's own limit on a metric, in the metric's unit; null leaves the use's."""

    metric: Metric
    hard_low: Limit | None = None
    good_low: Limit | None = None
    good_high: Limit | None = None
    hard_high: Limit | None = None


class LimitsIn(In):
    """What a brief asks besides its use."""

    exclude_allergens: list[Slug] = Field(default_factory=list, max_length=40)
    exclude: list[Slug] = Field(default_factory=list, max_length=200)
    price_cap_per_kg: Limit | None = None
    max_bins: int | None = Field(default=None, ge=1, le=MAX_PARTS)
    gluten_cap_mg_per_kg: Limit | None = None
    bands: list[BandChangeIn] = Field(default_factory=list, max_length=20)


class BriefIn(In):
    """A brief: what for, for whom, to what aim, within what limits."""

    name: Name
    use: Slug
    eaters: Text = ""
    aim: Aim = "nearest"
    note: Text = ""
    limits: LimitsIn = Field(default_factory=LimitsIn)
    archived: bool = False


class NewBlendIn(In):
    """A new blend, empty or with parts."""

    name: Name
    use: Slug | None = None
    brief_id: RowId | None = None
    parts: Parts = Field(default_factory=list)


class BlendIn(In):
    """What a blend is called, what it is for, whether it is put away."""

    name: Name
    use: Slug | None = None
    brief_id: RowId | None = None
    archived: bool = False


class DraftIn(In):
    """The parts on the bench and the revision they started from."""

    parts: Parts
    based_on: int | None = Field(default=None, ge=1, le=2**31)


class KeepIn(In):
    """Why the draft is kept as a revision."""

    why: Annotated[str, Field(min_length=1, max_length=500, pattern=r"\S")]


class DuplicateIn(In):
    """The name of the copy."""

    name: Name


class SettingsIn(In):
    """The kitchen's settings."""

    name: Name
    cup: Literal["us", "metric", "imperial"]
    tablespoon: Literal["us", "metric", "imperial", "australian"]
    mass_unit: Literal["g", "oz"]
    temp_unit: Literal["c", "f"]
    energy_unit: Literal["kj", "kcal"]
    currency: Annotated[str, Field(max_length=8)]
    binder_school: Literal["by-moisture", "gum", "psyllium", "gels", "none"]
    store_temp_c: float = Field(ge=-30, le=45)
    serving_g: float = Field(gt=0, le=1000)


class PageQuery(In):
    """Which page of a list: start after `cursor`, at most `limit` items."""

    cursor: int = Field(default=0, ge=0, le=2**53)
    limit: int = Field(default=50, ge=1, le=100)


class BlendsQuery(PageQuery):
    """Which blends: of one brief, or those put away."""

    brief_id: RowId | None = None
    archived: Literal["0", "1"] = "0"


class BriefsQuery(PageQuery):
    """Which briefs: those at work, or those put away."""

    archived: Literal["0", "1"] = "0"


class FindQuery(PageQuery):
    """What to look for."""

    q: Annotated[str, Field(max_length=80)] = ""


class SearchQuery(In):
    """What to look for."""

    q: Annotated[str, Field(max_length=80)] = ""


class ImportQuery(In):
    """What to call an imported blend, and the brief it is for."""

    name: Annotated[str, Field(max_length=120)] = ""
    brief_id: RowId | None = None


class ExportQuery(In):
    """Which file to write, of the draft (0) or of a revision."""

    format: Literal["json", "csv"] = "json"
    revision: int = Field(default=0, ge=0, le=2**31)
