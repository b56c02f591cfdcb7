"""What comes with a file: ingredients that it defines itself, added as the kitchen's own."""

from __future__ import annotations

from collections.abc import Iterable

from sqlmodel import Session

from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.store.ingredients import add_own_ingredients


def bring_ingredients(session: Session, items: Iterable[Ingredient]) -> list[str]:
    """Add the ingredients that a file defines; return what there is to say of each. What is there keeps its numbers."""
    added, there = add_own_ingredients(session, items)
    notes = [f"{slug} was added to your ingredients." for slug in added]
    return notes + [f"{slug} is in your kitchen already: its own numbers were kept." for slug in there]
