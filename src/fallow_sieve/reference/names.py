"""Loads other names of ingredients (aliases.csv) and those taken for one another (look_alikes.csv)."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.ingredients import LookAlike
from fallow_sieve.reference.larder import larder_rows
from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class AliasRow:
    """Another name of an ingredient, and where it is used (empty: widely)."""

    ingredient: str
    alias: str
    where: str


@dataclass(frozen=True, slots=True)
class LookAlikeRow:
    """Two ingredients that are taken for each other."""

    ingredient: str
    easily_taken_for: str
    how_they_differ: str


@cache
def aliases() -> tuple[AliasRow, ...]:
    """Return the other names of the bundled ingredients, those of the larder last."""
    of_larder = (AliasRow(r.slug, alias, "") for r in larder_rows() for alias in r.aliases)
    return (*read_table("aliases", AliasRow), *of_larder)


@cache
def look_alikes() -> tuple[LookAlike, ...]:
    """Return the pairs of bundled ingredients that are taken for each other."""
    return tuple(
        LookAlike(r.ingredient, r.easily_taken_for, r.how_they_differ) for r in read_table("look_alikes", LookAlikeRow)
    )
