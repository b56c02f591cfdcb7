"""What a sheet's script sends."""

from __future__ import annotations

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field


class TapIn(BaseModel):
    """One tap: a quantity with its value, or without: as planned; of which arm and day."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)

    quantity: Annotated[str, Field(min_length=1, max_length=80)]
    value: Annotated[float, Field(ge=-1e6, le=1e6)] | None = None
    arm: Annotated[str, Field(max_length=80)] = ""
    day: Annotated[int, Field(ge=0, le=3)] = 0
