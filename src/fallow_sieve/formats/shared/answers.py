"""What the documents that are written share: numbers with their ranges, to ten places."""

from __future__ import annotations

from pydantic import BaseModel, ConfigDict

from fallow_sieve.core.values import Estimate

DECIMALS = 10


class Out(BaseModel):
    """A part of a document that is written."""

    model_config = ConfigDict(extra="forbid")


class EstimateOut(Out):
    """A number with its 95 % interval; null where unknown, `low` alone where only a lower bound is known."""

    typical: float | None
    low: float | None
    high: float | None


class NutrientOut(EstimateOut):
    """A nutrient per 100 g; with `known_mass_pct` under 100, `typical` is a lower bound and `high` null."""

    known_mass_pct: float


class DoseOut(Out):
    """A binder and its dose, % of flour base."""

    binder: str
    dose_pct: float


class BinderOut(Out):
    """The binder load (1 is the usual dose) and the doses behind it."""

    load: float | None
    doses: list[DoseOut]


class GlutenOut(Out):
    """The gluten estimate, mg per kg of mix, from the known parts."""

    status: str
    known_mg_per_kg: float
    unknown_parts: list[str]


def rounded(value: float | None) -> float | None:
    """Return a number as documents hold it, to ten places, so that they do not differ by the last bit."""
    return None if value is None else round(value, DECIMALS)


def estimate_out(e: Estimate) -> EstimateOut:
    """Return an estimate as it is written, rounded."""
    return EstimateOut(typical=rounded(e.typical), low=rounded(e.low), high=rounded(e.high))


def nutrient_out(e: Estimate) -> NutrientOut:
    """Return a nutrient with its range and the share of the mass (%) that is known."""
    return NutrientOut(
        typical=rounded(e.typical), low=rounded(e.low), high=rounded(e.high), known_mass_pct=round(e.known_mass_pct, 6)
    )
