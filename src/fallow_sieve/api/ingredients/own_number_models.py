"""What requests about bench tests, labels, lots and devices may carry, and what responses do."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import Field

from fallow_sieve.api.models import In, Out, RowId, Slug
from fallow_sieve.core.ingredients import CupWeight, Grading, Lightness, PanelCheck, Per100G, ScaleCheck, WaterTaken
from fallow_sieve.core.values import Range
from fallow_sieve.formats.ingredients import PanelLine
from fallow_sieve.services.ingredients.own_numbers import Given

Mass = Annotated[float, Field(ge=0, le=1e6)]
Note = Annotated[str, Field(max_length=500)]


class CupIn(In):
    """Levelled cups, each weighed without the cup (g), their volume, and how they were filled."""

    kind: Literal["cup"]
    net_g: list[Mass] = Field(min_length=2, max_length=10)
    cup_ml: float = Field(ge=5, le=5000)
    way: Literal["sifted", "spooned", "dipped"]


class SoakIn(In):
    """Dry flour, and the same wet in its cloth after draining (g)."""

    flour_g: Mass
    drained_g: Mass


class WaterIn(In):
    """Water taken up: runs, and the cloth dry and after a blank run (g)."""

    kind: Literal["water"]
    runs: list[SoakIn] = Field(min_length=2, max_length=10)
    cloth_dry_g: Mass
    cloth_wet_g: Mass


class MeshIn(In):
    """What stayed on a mesh (opening in µm, 0 for the pan), in g."""

    opening_um: float = Field(ge=0, le=10_000)
    mass_g: Mass


class SieveIn(In):
    """A sieve grading: what was put in (g), and what stayed on each mesh and in the pan."""

    kind: Literal["sieve"]
    start_g: Mass
    stack: list[MeshIn] = Field(min_length=4, max_length=13)


Colour = Annotated[list[Annotated[float, Field(ge=0, le=255)]], Field(min_length=3, max_length=3)]


class CardIn(In):
    """A photo beside white paper: the colour of the card and of spots of the flour (sRGB, 0–255)."""

    kind: Literal["card"]
    card: Colour
    spots: list[Colour] = Field(min_length=2, max_length=10)


class ScaleIn(In):
    """Ten weighings of one coin (g), and the step that the scale shows (g)."""

    kind: Literal["scale"]
    readings_g: list[Mass] = Field(min_length=10, max_length=30)
    readability_g: float = Field(ge=1e-4, le=100)


Readings = Annotated[CupIn | WaterIn | SieveIn | CardIn | ScaleIn, Field(discriminator="kind")]


class BenchTestIn(In):
    """A bench test of an ingredient or one lot of it; a check of the scale has neither."""

    ingredient: Slug | None = None
    lot_id: RowId | None = None
    note: Note = ""
    readings: Readings


class BenchResultOut(Out):
    """What readings give: the verdict in one line, the numbers, and the working of its kind."""

    kind: Literal["cup", "water", "sieve", "card", "scale"]
    say: str
    verdict: Literal["same", "more", "less", "new"]
    gives: list[Given]
    warnings: list[str]
    cup: CupWeight | None = None
    water: WaterTaken | None = None
    sieve: Grading | None = None
    card: Lightness | None = None
    scale: ScaleCheck | None = None


class FindingOut(Out):
    """A bench test or label on record."""

    id: int
    what: Literal["cup", "water", "sieve", "card", "scale", "label"]
    lot_id: int | None
    lot_code: str
    on: str
    note: str
    say: str
    withdrawn: bool
    readings: dict[str, Any]


class FindingsOut(Out):
    """What was found out about an ingredient's bags, the newest first."""

    items: list[FindingOut]


class WithdrawnIn(In):
    """Whether a finding is out of use."""

    withdrawn: bool


Printed = Annotated[str, Field(max_length=20)]


class LabelIn(In):
    """A label panel: the serving, the convention, and numbers as printed by nutrient; blanks are unknown."""

    ingredient: Slug
    lot_id: RowId | None = None
    amount: float | None = Field(default=None, gt=0, le=10_000)
    unit: Literal["g", "oz", "ml", "cup", "tablespoon", "teaspoon"] = "g"
    weighs_g: float | None = Field(default=None, gt=0, le=2000)
    convention: Literal["inside", "apart"]
    printed: dict[Annotated[str, Field(max_length=20)], Printed] = Field(max_length=20)


class LabelOut(Out):
    """What a panel gives per 100 g, how wide rounding makes it, what does not fit, and whether it can be used."""

    numbers: list[Per100G]
    serving_g: Range
    gives: list[Given]
    checks: list[PanelCheck]
    can_use: bool


class LabelTextIn(In):
    """The text of a panel, pasted."""

    text: Annotated[str, Field(max_length=10_000)]


class LabelTextOut(Out):
    """What a text was understood as, line by line."""

    printed: dict[str, str]
    serving: str
    serving_unit: str
    serving_g: str
    convention: Literal["inside", "apart"] | None
    lines: list[PanelLine]
