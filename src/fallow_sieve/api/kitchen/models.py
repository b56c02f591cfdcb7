"""What requests and answers about the kitchen carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from fallow_sieve.api.models import In, Name, Out
from fallow_sieve.services.searching import Found


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


class KitchenOut(Out):
    """The kitchen's settings as stored."""

    name: str
    cup: str
    tablespoon: str
    mass_unit: str
    temp_unit: str
    energy_unit: str
    currency: str
    binder_school: str
    store_temp_c: float
    serving_g: float
    version: int


class SearchQuery(In):
    """What to look for."""

    q: Annotated[str, Field(max_length=80)] = ""


class SearchOut(Out):
    """What the search found, best first."""

    items: list[Found]
