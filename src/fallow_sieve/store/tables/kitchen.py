"""The kitchen's settings."""

from __future__ import annotations

from typing import Any

from sqlalchemy import JSON
from sqlmodel import Field, SQLModel


class KitchenRow(SQLModel, table=True):
    """The kitchen's settings: one row.

    `shelf_version` rises when any ingredient or lot changes, `trials_version` when a trial or a reading does.
    `bulk` is how mixes are made ahead: vessels, scales, bags, labels.
    """

    __tablename__ = "kitchen"

    id: int = Field(default=1, primary_key=True)
    name: str = "My kitchen"
    cup: str = "metric"
    tablespoon: str = "metric"
    mass_unit: str = "g"
    temp_unit: str = "c"
    energy_unit: str = "kj"
    currency: str = ""
    binder_school: str = "by-moisture"
    thickener_school: str = "by-power"
    store_temp_c: float = 20.0
    serving_g: float = 30.0
    library_version: str = ""
    shelf_version: int = 1
    trials_version: int = 1
    version: int = 1
    bulk: dict[str, Any] = Field(default_factory=dict, sa_type=JSON, nullable=False)
