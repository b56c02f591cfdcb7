"""Flours side by side: their numbers on one basis and one scale, and in what they differ most."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.ingredients.columns import COLUMNS, Cell, Column, cell
from fallow_sieve.core.ingredients.ingredient import Ingredient
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.ingredients.search import LookAlike
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.ingredients.stand_ins import BEHAVIOUR, COMPOSITION, spreads_apart
from fallow_sieve.core.values import UNKNOWN, BadInputError, Basis, Estimate

MOST_FLOURS = 6
SIDE_BY_SIDE = (
    "protein_g",
    "fibre_g",
    "starch_g",
    "available_carbohydrate_g",
    "sugars_g",
    "fat_g",
    "energy_kj",
    "salt_g",
    "thirst_g_per_g",
    "grit_index",
    "gel_onset_c",
    "gel_peak_c",
    "amylose_pct",
    "stickiness",
    "browning_index",
    "flavour_index",
    "basis_g",
    "price_per_kg",
    "price_per_100_g_protein",
    "price_per_100_g_fibre",
    "shelf_months",
    "usual_max_pct",
    "stock_g",
)


@dataclass(frozen=True, slots=True)
class ComparedNumber:
    """One number of several flours: its column, a cell for each (None: unknown), and the end of the common scale."""

    column: Column
    cells: tuple[Cell | None, ...]
    scale: float


@dataclass(frozen=True, slots=True)
class SideBySide:
    """Flours side by side: the lines, those among them that are taken for one another, and what differs most."""

    lines: tuple[ComparedNumber, ...]
    look_alikes: tuple[LookAlike, ...]
    say: str


def laid_side_by_side(slugs: Sequence[str], shelf: Shelf, basis: Basis, pairs: Sequence[LookAlike]) -> SideBySide:
    """Return the flours `slugs` side by side on `basis`, each number in its column's unit.

    `pairs` are the look-alikes that are known of. Raises BadInputError for none, more than six, or one twice.
    """
    if not 1 <= len(slugs) <= MOST_FLOURS or len(set(slugs)) < len(slugs):
        raise BadInputError(f"{len(slugs)} flours", place="?slugs", right=f"from 1 to {MOST_FLOURS}, each once")
    items = [shelf.rows[shelf.row(s, "?slugs")] for s in slugs]
    lines = tuple(_line(COLUMNS[name], items, basis) for name in SIDE_BY_SIDE)
    alike = tuple(p for p in pairs if p.ingredient in slugs and p.taken_for in slugs)
    return SideBySide(lines, alike, _say(items, shelf))


def _line(column: Column, items: Sequence[Ingredient], basis: Basis) -> ComparedNumber:
    cells = tuple(cell(i, column, basis) for i in items)
    return ComparedNumber(column, cells, max((c.high for c in cells if c), default=0.0))


def _say(items: Sequence[Ingredient], shelf: Shelf) -> str:
    """The number in which the flours lie furthest apart, counted in spreads over the shelf."""
    if len(items) < 2:
        return ""
    apart = spreads_apart(items, shelf, (*BEHAVIOUR, *COMPOSITION))
    if not apart:
        return "Nothing is known of all of them that could set them apart."
    name, low, high = apart
    column, (least, most) = COLUMNS[name], (low.facts[name].range.typical, high.facts[name].range.typical)
    places = column.decimals
    return (
        f"They differ most in {column.label.lower()}: {high.name} {most:.{places}f}, "
        f"{low.name} {least:.{places}f} ({column.unit})."
    )


@dataclass(frozen=True, slots=True)
class OnBasis:
    """One ingredient on a basis: its mass in g (None where its density is unknown) and nutrients for that mass."""

    ingredient: str
    name: str
    mass_g: float | None
    mass_low_g: float | None
    mass_high_g: float | None
    nutrients: dict[str, Estimate]


def compare(slugs: Sequence[str], shelf: Shelf, basis: Basis) -> tuple[OnBasis, ...]:
    """Return each ingredient on `basis`; low and high carry the composition's range at the typical mass (g).

    Raises UnknownNameError for a slug that is not on the shelf.
    """
    return tuple(on_basis(shelf[s], basis) for s in slugs)


def on_basis(item: Ingredient, basis: Basis) -> OnBasis:
    """Return `item` on `basis`: g, and nutrients in the units their names say for that mass."""
    bulk = item.range_of("density_g_per_ml")
    if basis.mass_g is not None:
        mass = low = high = basis.mass_g
    elif bulk is not None and basis.volume_ml is not None:
        mass, low, high = (d * basis.volume_ml for d in (bulk.typical, bulk.low, bulk.high))
    else:
        return OnBasis(item.slug, item.name, None, None, None, dict.fromkeys(NUTRIENTS, UNKNOWN))
    return OnBasis(item.slug, item.name, mass, low, high, {n: _for_mass(item, n, mass) for n in NUTRIENTS})


def _for_mass(item: Ingredient, nutrient: str, mass_g: float) -> Estimate:
    found = item.range_of(nutrient)
    if found is None:
        return UNKNOWN
    k = mass_g / 100
    return Estimate(found.typical * k, found.low * k, found.high * k, 100.0, found.sigma_low * k, found.sigma_high * k)
