"""What requests and answers about the kitchen carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from fallow_sieve.api.models import In, Name, Out, Seen, Slug
from fallow_sieve.core.batches.ahead import Ahead
from fallow_sieve.services.searching import Found
from fallow_sieve.store import KitchenWord

Cup = Literal["us", "metric", "imperial"]
Spoon = Literal["us", "metric", "imperial", "australian"]
MassUnit = Literal["g", "oz"]
TempUnit = Literal["c", "f"]
EnergyUnit = Literal["kj", "kcal"]
ThickenerSchool = Literal["by-power", "two-for-one"]
BinderSchool = Literal["by-moisture", "gum", "psyllium", "gels", "none"]


class SettingsIn(In):
    """The kitchen's settings."""

    name: Name
    cup: Cup
    tablespoon: Spoon
    mass_unit: MassUnit
    temp_unit: TempUnit
    energy_unit: EnergyUnit
    currency: Annotated[str, Field(max_length=8)]
    binder_school: BinderSchool
    thickener_school: ThickenerSchool
    store_temp_c: float = Field(ge=-30, le=45)
    serving_g: float = Field(gt=0, le=1000)


class KitchenOut(Out):
    """The kitchen's settings as stored."""

    name: str
    cup: Cup
    tablespoon: Spoon
    mass_unit: MassUnit
    temp_unit: TempUnit
    energy_unit: EnergyUnit
    currency: str
    binder_school: BinderSchool
    thickener_school: ThickenerSchool
    store_temp_c: float
    serving_g: float
    version: int


BulkGrams = Annotated[float, Field(gt=0, le=1e6)]
Tolerance = Annotated[float, Field(gt=0, le=20)]


class KitchenScaleIn(In):
    """A scale: its name, step and capacity, g."""

    name: Annotated[str, Field(min_length=1, max_length=60)]
    step_g: Annotated[float, Field(ge=0.001, le=100)]
    capacity_g: Annotated[float, Field(ge=10, le=1e6)]


class VesselIn(In):
    """A vessel to mix in: its name, the way of mixing, what it holds (L), what it weighs empty (g)."""

    name: Annotated[str, Field(min_length=1, max_length=60)]
    blender: Slug
    litres: Annotated[float, Field(gt=0, le=1000)] | None = None
    empty_g: Annotated[float, Field(ge=0, le=1e5)] = 0.0


class AheadIn(In):
    """How mixes are made ahead; the first scale, vessel and bag size are those of a new plan."""

    letters: Annotated[str, Field(max_length=3)] = ""
    scales: Annotated[list[KitchenScaleIn], Field(max_length=20)] = Field(default_factory=list)
    vessels: Annotated[list[VesselIn], Field(max_length=40)] = Field(default_factory=list)
    bag_sizes_g: Annotated[list[BulkGrams], Field(max_length=20)] = Field(default_factory=list)
    tolerance_pct: Tolerance = 1.0
    tolerance_of_small_pct: Tolerance = 2.0
    scheme: Annotated[str, Field(max_length=20)] = "eu"
    language: Annotated[str, Field(max_length=20)] = ""


class AheadOut(Out):
    """How mixes are made ahead, and the version of the settings it is saved under."""

    ahead: Ahead
    version: int


class WordIn(In):
    """A name as it was written, and the ingredient it is."""

    phrase: Annotated[str, Field(min_length=1, max_length=120), Seen]
    ingredient: Slug


class WordOut(Out):
    """One of the kitchen's own words, with the name of its ingredient (its slug where it is gone)."""

    word: KitchenWord
    name: str


class WordsOut(Out):
    """The kitchen's own words, by name."""

    items: list[WordOut]


class RememberedOut(Out):
    """The word that is remembered from now on (null: it is asked each time), and that in words."""

    word: WordOut | None
    say: str


class SearchQuery(In):
    """What to look for."""

    q: Annotated[str, Field(max_length=80)] = ""


class SearchOut(Out):
    """What the search found, best first."""

    items: list[Found]
