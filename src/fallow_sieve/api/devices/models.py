"""What requests and answers about devices carry."""

from __future__ import annotations

from pydantic import Field

from fallow_sieve.api.models import In, Out


class ScaleOut(Out):
    """What the scale on the bench shows."""

    name: str
    simulated: bool
    readability_g: float
    mass_g: float
    stable: bool


class LoadIn(In):
    """What is put on the simulated scale, in g."""

    mass_g: float = Field(ge=0, le=20_000)
