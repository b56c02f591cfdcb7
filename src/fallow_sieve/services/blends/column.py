"""The column of a mix as it is drawn small: its parts with role and share."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import Part
from fallow_sieve.core.ingredients import Shelf


@dataclass(frozen=True, slots=True)
class PartOfMix:
    """A part of a mix: ingredient, name, role, share of the mix (%)."""

    ingredient: str
    name: str
    role: str
    mix_pct: float


def column_of(parts: Sequence[Part], shelf: Shelf) -> list[PartOfMix]:
    """Return the parts of a mix (g) as they are drawn; what the kitchen no longer has counts as other."""
    total = sum(p.mass_g for p in parts) or 1.0
    return [_part(p, 100 * p.mass_g / total, shelf) for p in parts]


def _part(part: Part, mix_pct: float, shelf: Shelf) -> PartOfMix:
    if part.ingredient not in shelf:
        return PartOfMix(part.ingredient, part.ingredient, "other", mix_pct)
    item = shelf[part.ingredient]
    return PartOfMix(part.ingredient, item.name, str(item.role), mix_pct)
