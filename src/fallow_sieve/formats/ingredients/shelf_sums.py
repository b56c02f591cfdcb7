"""Whether the numbers of a shelf table can be true together: the parts of 100 g fit into it, and into one another."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from fallow_sieve.core.ingredients import INSIDE, PARTS_OF_100_G, TOLERANCE_G
from fallow_sieve.formats.ingredients.shelf_table import HEADER_OF, FloatArray, ShelfTable, refuse_where


def refuse_impossible(found: ShelfTable, so_far: Mapping[str, FloatArray]) -> None:
    """Refuse rows whose parts do not fit into 100 g, with what is known `so_far` where a cell is blank.

    `so_far` has a typical value (g per 100 g) for each row by nutrient, NaN where unknown.
    """

    def typical(name: str) -> FloatArray:
        old = so_far.get(name, np.full(len(found.lines), np.nan))
        triple = found.numbers.get(name)
        return old if triple is None else np.where(np.isnan(triple.typical), old, triple.typical)

    total = np.sum([np.nan_to_num(typical(n)) for n in PARTS_OF_100_G], axis=0)
    changed = np.zeros(len(found.lines), dtype=bool)
    for triple in found.numbers.values():
        changed |= ~np.isnan(triple.typical)
    refuse_where(
        found,
        changed & (total > 100 + TOLERANCE_G),
        HEADER_OF["carbohydrate_g"],
        total,
        "water, protein, fat, carbohydrate and ash add up to so many g in 100 g: are they per serving?",
    )
    for inner, outer in INSIDE:
        a, b = typical(inner), typical(outer)
        bad = changed & ~np.isnan(a) & ~np.isnan(b) & (a > b * 1.2 + TOLERANCE_G)
        refuse_where(found, bad, HEADER_OF[inner], a, f"no more than the {HEADER_OF[outer]} that holds it")
