"""A blend: its parts, and what makes them usable."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.values import BadInputError, UnknownNameError

MAX_PARTS = 200
MAX_MASS_G = 1e9
MAX_RATIO = 1000.0


@dataclass(frozen=True, slots=True)
class Part:
    """One ingredient of a blend, by slug, with its mass in g; a locked part keeps its mass.

    With `lot_id` it draws on that lot, and that lot's own numbers count. Of a bought mix the mass is only known within
    `low_ratio` to `high_ratio` times `mass_g` (19 times in 20); what was weighed has 1 and 1.
    """

    ingredient: str
    mass_g: float
    locked: bool = False
    lot_id: int | None = None
    low_ratio: float = 1.0
    high_ratio: float = 1.0

    @property
    def is_weighed(self) -> bool:
        """Whether its mass is known, not only within a range."""
        return self.low_ratio == self.high_ratio == 1.0


@dataclass(frozen=True, slots=True)
class Blend:
    """A named mix of parts, each ingredient once, with the use it is meant for (or None)."""

    parts: tuple[Part, ...]
    name: str = ""
    use: str | None = None


def check_parts(parts: Sequence[Part], shelf: Shelf, place: str = "/parts") -> None:
    """Raise BadInputError, naming a JSON pointer under `place`, unless parts are usable.

    Usable: 1–200 parts, known ingredients, each once, finite positive masses in g.
    """
    if not parts:
        raise BadInputError("a blend needs at least one part", place=place, right="add an ingredient")
    if len(parts) > MAX_PARTS:
        raise BadInputError(f"{len(parts)} parts", place=place, right=f"a blend has at most {MAX_PARTS}")
    seen: dict[str, int] = {}
    for i, part in enumerate(parts):
        if part.ingredient in seen:
            raise BadInputError(
                f"{part.ingredient!r} stands twice (also at {place}/{seen[part.ingredient]})",
                place=f"{place}/{i}/ingredient",
                right="add the two masses together",
            )
        seen[part.ingredient] = i
        if part.ingredient not in shelf.row_of:
            raise UnknownNameError("ingredient", part.ingredient, shelf.row_of, place=f"{place}/{i}/ingredient")
        if not (math.isfinite(part.mass_g) and 0 < part.mass_g <= MAX_MASS_G):
            raise BadInputError(
                f"a mass of {part.mass_g!r} g",
                place=f"{place}/{i}/mass_g",
                right=f"it must be over 0 and at most {MAX_MASS_G:.0e} g",
            )
        if not 0 <= part.low_ratio <= 1 <= part.high_ratio <= MAX_RATIO:
            raise BadInputError(
                f"a mass within {part.low_ratio:g} to {part.high_ratio:g} times itself",
                place=f"{place}/{i}/low_ratio",
                right=f"the range holds the mass: at most 1, and 1 to {MAX_RATIO:g}",
            )
        if part.lot_id is not None:
            shelf.row_of_lot(part.lot_id, part.ingredient, f"{place}/{i}/lot_id")


def drawing_on(parts: Sequence[Part], shelf: Shelf) -> Shelf:
    """Return `shelf` with the numbers of the lots that `parts` name in the place of their ingredients' own."""
    lots = {p.ingredient: p.lot_id for p in parts if p.lot_id is not None}
    return shelf.drawing_on(lots) if lots else shelf
