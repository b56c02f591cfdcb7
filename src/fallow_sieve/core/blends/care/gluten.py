"""The gluten estimate: what declared and tested values add up to. It proves nothing; testing does."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from fallow_sieve.core.blends.analysis import PartShare
from fallow_sieve.core.ingredients import Ingredient, Shelf


@dataclass(frozen=True, slots=True)
class GlutenEstimate:
    """Status `known`, `unknown` or `contains`; mg/kg that the known parts give, on the whole mix's mass.

    `unknown_parts` are slugs without a declared or tested value; `most_from` is the slug that uses most of what
    the limit allows, or None.
    """

    status: str
    known_mg_per_kg: float
    unknown_parts: tuple[str, ...]
    most_from: str | None


def status_of(item: Ingredient) -> Literal["contains", "known", "unknown"]:
    """Return how an ingredient stands: made of a gluten cereal, with a declared or tested value, or unknown.

    Unknown is the default, and never the same as free.
    """
    if item.contains_gluten:
        return "contains"
    return "unknown" if item.gluten_mg_per_kg is None else "known"


def estimate_gluten(parts: Sequence[PartShare], shelf: Shelf) -> GlutenEstimate:
    """Return Σ wᵢ gᵢ in mg per kg of mix over declared or tested values, and which parts have none.

    A part made from a gluten cereal makes the status `contains` whatever else is known.
    """
    items = [shelf[p.ingredient] for p in parts]
    gives = [
        (p.ingredient, p.mix_pct / 100 * i.gluten_mg_per_kg)
        for p, i in zip(parts, items, strict=True)
        if i.gluten_mg_per_kg is not None
    ]
    unknown = tuple(i.slug for i in items if i.gluten_mg_per_kg is None)
    most = max(gives, key=lambda g: g[1], default=(None, 0.0))
    status = "unknown" if unknown else "known"
    if any(i.contains_gluten for i in items):
        status = "contains"
    return GlutenEstimate(status, sum(g for _, g in gives), unknown, most[0] if most[1] > 0 else None)
