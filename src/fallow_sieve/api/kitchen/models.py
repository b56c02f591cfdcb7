"""What requests and answers about the kitchen carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from fallow_sieve.api.models import In, Name, Out
from fallow_sieve.services.searching import Found

Cup = Literal["us", "metric", "imperial"]
Spoon = Literal["us", "metric", "imperial", "australian"]
MassUnit = Literal["g", "oz"]
TempUnit = Literal["c", "f"]
EnergyUnit = Literal["kj", "kcal"]
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
    store_temp_c: float
    serving_g: float
    version: int


class SearchQuery(In):
    """What to look for."""

    q: Annotated[str, Field(max_length=80)] = ""


class SearchOut(Out):
    """What the search found, best first."""

    items: list[Found]
