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
    gross_g: float
    capacity_g: float
    overload: bool


class LoadIn(In):
    """What is put on the simulated scale, in g."""

    mass_g: float = Field(ge=0, le=20_000)


class StreamIn(In):
    """How fast flour runs onto the simulated scale, g/s; 0 stops it."""

    g_per_s: float = Field(ge=0, le=200)
