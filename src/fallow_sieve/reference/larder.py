"""Loads the larder (larder.csv): what recipes call for beside the flours, and flours that are known by label alone.

One row a thing, with one spread for its composition (± %, a rule of thumb by how it is known). How such a flour
behaves (thirst, grit …) is not known here; it may be borrowed from a relative.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.ingredients import Fact, Function, Ingredient, Quality, Role
from fallow_sieve.core.values import Range
from fallow_sieve.reference.tables import read_table

LEAST_G = 0.05  # what a nought in a table of g in 100 g may hide
WET_FROM_PCT = 40.0
OF_SOLIDS = 0.15  # how far the water of what is wet goes, of its solids: rule of thumb


@dataclass(frozen=True, slots=True)
class LarderRow:
    """One row of larder.csv: what it is, its density in g/mL, what a piece weighs (g), what is in 100 g, ± % of it.

    `apart` is what the parts of 100 g leave out: alcohol, acid, carbonate.
    """

    slug: str
    name: str
    aliases: tuple[str, ...]
    role: str
    functions: tuple[str, ...]
    allergens: tuple[str, ...]
    watch: tuple[str, ...]
    gluten_risk: str
    density_low: float | None
    density_typical: float | None
    density_high: float | None
    piece_g: float | None
    piece_of: str
    water_g: float | None
    protein_g: float | None
    fat_g: float | None
    saturated_fat_g: float | None
    carbohydrate_g: float | None
    sugars_g: float | None
    starch_g: float | None
    fibre_g: float | None
    ash_g: float | None
    sodium_mg: float | None
    spread_pct: float
    apart: str
    known_by: str
    source: str


_PARTS = ("protein_g", "fat_g", "carbohydrate_g", "ash_g")
_OF = {
    "saturated_fat_g": "fat_g",
    "sugars_g": "carbohydrate_g",
    "starch_g": "carbohydrate_g",
    "fibre_g": "carbohydrate_g",
}
_MOST_SODIUM_MG = 39330.0  # of 100 g of salt


@cache
def larder_rows() -> tuple[LarderRow, ...]:
    """Return the rows of the larder, in table order."""
    return read_table("larder", LarderRow)


@cache
def larder() -> tuple[Ingredient, ...]:
    """Return everything in the larder with its facts."""
    return tuple(_ingredient(row) for row in larder_rows())


@cache
def larder_pieces() -> Mapping[str, tuple[float, str]]:
    """Return what a piece of a thing weighs (g) and what the piece is called, by slug."""
    return {r.slug: (r.piece_g, r.piece_of) for r in larder_rows() if r.piece_g is not None}


def _ingredient(row: LarderRow) -> Ingredient:
    quality = Quality(row.known_by)
    facts = {name: Fact(span, quality, row.source) for name, span in _composition(row)}
    if row.density_low is not None and row.density_typical is not None and row.density_high is not None:
        span = Range(row.density_low, row.density_typical, row.density_high)
        facts["density_g_per_ml"] = Fact(span, Quality.ESTIMATE, "bundled table: household measures, recalled")
    return Ingredient(
        slug=row.slug,
        name=row.name,
        role=Role(row.role),
        facts=facts,
        gluten_risk=row.gluten_risk,
        allergens=row.allergens,
        watch=row.watch,
        functions=tuple(Function(f) for f in row.functions),
        in_larder=True,
    )


def _composition(row: LarderRow) -> Iterator[tuple[str, Range]]:
    """The range of each number: never more than its whole, never exactly nothing."""
    if row.water_g is not None:
        yield "water_g", _water(row.water_g, row.spread_pct)
    wholes: dict[str, float] = {}
    for name in _PARTS:
        value = getattr(row, name)
        if value is not None:
            span = _around(value, row.spread_pct, 100.0)
            wholes[name] = span.high
            yield name, span
    for name, whole in _OF.items():
        value = getattr(row, name)
        if value is not None:
            yield name, _around(value, row.spread_pct, wholes.get(whole, 100.0))
    if row.sodium_mg is not None:
        yield "sodium_mg", _around(row.sodium_mg, max(row.spread_pct, 10.0), _MOST_SODIUM_MG)


def _water(value: float, spread_pct: float) -> Range:
    reach = value * spread_pct / 100
    if value > WET_FROM_PCT:
        reach = min(reach, OF_SOLIDS * (100.0 - value))
    return Range(max(0.0, value - reach), value, min(100.0, max(value + reach, LEAST_G)))


def _around(value: float, spread_pct: float, most: float) -> Range:
    high = min(most, max(value * (1 + spread_pct / 100), LEAST_G))
    return Range(value * (1 - spread_pct / 100), value, max(value, high))
