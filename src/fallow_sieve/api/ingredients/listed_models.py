"""Ingredients as they are listed and found: by any of their names, with their bags."""

from __future__ import annotations

from datetime import date
from typing import Annotated

from pydantic import Field

from fallow_sieve.api.models import ListOut, Out, Slug
from fallow_sieve.core.ingredients import Role, TakenFor

Words = Annotated[list[Slug], Field(max_length=40)]
RoleName = Annotated[Role, Field(strict=False)]


class LotOut(Out):
    """A lot in a bin, in a list of ingredients."""

    code: str
    supplier: str
    stock_g: float
    price_per_kg: float | None
    best_before: date | None
    gluten_mg_per_kg: float | None
    gluten_basis: str


class IngredientOut(Out):
    """An ingredient, as the shelf shows it."""

    slug: str
    name: str
    role: str
    aliases: list[str]
    look_alikes: list[TakenFor]
    flavour_words: list[str]
    allergens: list[str]
    watch: list[str]
    gluten_risk: str
    gluten_mg_per_kg: float | None
    price_per_kg: float | None
    usual_max_pct: float | None
    usual_max_reason: str
    confidence: str
    lab: list[float] | None
    lots: list[LotOut]
    found_by: str


class IngredientList(ListOut):
    """A page of ingredients."""

    items: list[IngredientOut]
