"""What the pages need to know once."""

from __future__ import annotations

from fallow_sieve.api.models import NamedOut, Out


class UseOut(Out):
    """An intended use."""

    slug: str
    name: str
    family: str
    moisture: str


class MetricOut(Out):
    """A metric: unit, decimals to show, what is possible (null: no end), and whether uses put a band on it."""

    name: str
    label: str
    unit: str
    decimals: int
    lowest: float
    highest: float | None
    banded: bool


class NutrientInfo(Out):
    """A nutrient and its unit."""

    name: str
    label: str
    unit: str


class ReferenceOut(Out):
    """What the pages need to know once: uses, metrics, roles, nutrients, allergens, aims, and wheat's L*a*b*."""

    version: str
    uses: list[UseOut]
    metrics: list[MetricOut]
    roles: list[NamedOut]
    functions: list[NamedOut]
    nutrients: list[NutrientInfo]
    allergens: list[NamedOut]
    aims: list[NamedOut]
    wheat_lab: list[float] | None
