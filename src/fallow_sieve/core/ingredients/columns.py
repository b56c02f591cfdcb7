"""What a shelf can show of an ingredient: its columns, and one cell of them on a basis, with range and source."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from fallow_sieve.core.ingredients.ingredient import PROPERTIES, Fact, Ingredient, Quality
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.ingredients.shelf import available_range
from fallow_sieve.core.values import Basis, Range, UnknownNameError


@dataclass(frozen=True, slots=True)
class Column:
    """A column of numbers: name, label, unit, decimals on 100 g, group, and whether it follows the basis."""

    name: str
    label: str
    unit: str
    decimals: int
    group: str
    on_basis: bool = False


@dataclass(frozen=True, slots=True)
class Provenance:
    """How a number is known: quality, source, and the ISO date it was noted on (empty for bundled tables)."""

    quality: str
    source: str
    noted_on: str = ""


@dataclass(frozen=True, slots=True)
class Cell:
    """One number of an ingredient in its column's unit, with the range in which the bag lies 19 times in 20."""

    typical: float
    low: float
    high: float
    known: Provenance


_DECIMALS = {"g": 1, "mg": 0, "µg": 0, "kJ": 0, "kcal": 0, "g/mL": 2, "g water per g": 2, "0–1": 1}
_PRICE = "price_per_kg"
PRICED_BY = {"price_per_100_g_protein": "protein_g", "price_per_100_g_fibre": "fibre_g"}


def _columns() -> tuple[Column, ...]:
    contents = [
        Column(n.name, n.label, n.unit, _DECIMALS[n.unit], "composition", True)
        for n in NUTRIENTS.values()
        if n.name not in ("iron_mg", "zinc_mg", "salt_g")
    ]
    contents += [
        Column("iron_mg", "Iron", "mg", 1, "composition", True),
        Column("zinc_mg", "Zinc", "mg", 1, "composition", True),
        Column("salt_g", "Salt", "g", 2, "composition", True),
        Column("available_carbohydrate_g", "Available carbohydrate", "g", 1, "composition", True),
    ]
    dough = [Column(p.name, p.label, p.unit, _DECIMALS.get(p.unit, 0), "dough") for p in PROPERTIES.values()]
    bin_ = [
        Column("basis_g", "Weight of it", "g", 1, "bin", True),
        Column("stock_g", "In stock", "g", 0, "bin"),
        Column(_PRICE, "Price", "per kg", 2, "bin"),
        Column("price_per_100_g_protein", "Price of protein", "per 100 g", 2, "bin"),
        Column("price_per_100_g_fibre", "Price of fibre", "per 100 g", 2, "bin"),
        Column("usual_max_pct", "Usual most", "% of flour", 0, "bin"),
        Column("gluten_mg_per_kg", "Gluten", "mg/kg", 0, "bin"),
    ]
    return (*contents, *dough, *bin_)


COLUMNS: dict[str, Column] = {c.name: c for c in _columns()}
DEFAULT_COLUMNS = ("protein_g", "fibre_g", "starch_g", "fat_g", "thirst_g_per_g", "grit_index", _PRICE, "stock_g")


def column_named(name: str, place: str = "") -> Column:
    """Return a column by name. Raises UnknownNameError naming `place`."""
    if name not in COLUMNS:
        raise UnknownNameError("column", name, COLUMNS, place=place)
    return COLUMNS[name]


def mass_on(item: Ingredient, basis: Basis) -> Range | None:
    """Return the g of `item` that `basis` stands for: without width for a mass, None without a known density."""
    if basis.mass_g is not None:
        return Range(basis.mass_g, basis.mass_g, basis.mass_g)
    bulk = item.range_of("density_g_per_ml")
    if bulk is None or basis.volume_ml is None:
        return None
    return Range(bulk.low * basis.volume_ml, bulk.typical * basis.volume_ml, bulk.high * basis.volume_ml)


def cell(item: Ingredient, column: Column, basis: Basis) -> Cell | None:
    """Return one number of `item` on `basis`, or None where it is unknown: unknown is not zero.

    A nutrient is for the typical mass of the basis and carries the composition's own range.
    """
    special = _SPECIAL.get(column.name)
    if special is not None:
        return special(item, basis)
    fact = available_fact(item) if column.name == "available_carbohydrate_g" else item.facts.get(column.name)
    if fact is None:
        return None
    if not column.on_basis:
        return _cell(fact.range, 1.0, fact)
    mass = mass_on(item, basis)
    return _cell(fact.range, mass.typical / 100, fact) if mass is not None else None


def available_fact(item: Ingredient) -> Fact | None:
    """Return available carbohydrate (g per 100 g) as a fact: as good as the worse of the two it is made from."""
    found = available_range(item)
    if found is None:
        return None
    both = (item.facts["carbohydrate_g"], item.facts["fibre_g"])
    worst = max(both, key=lambda f: list(Quality).index(f.quality))
    return Fact(found, worst.quality, "carbohydrate less fibre", max(f.noted_on for f in both))


def _cell(r: Range, factor: float, fact: Fact) -> Cell:
    known = Provenance(str(fact.quality), fact.source, fact.noted_on)
    return Cell(r.typical * factor, r.low * factor, r.high * factor, known)


def _plain(value: float | None, source: str, quality: str = "label") -> Cell | None:
    return None if value is None else Cell(value, value, value, Provenance(quality, source))


def _weight(item: Ingredient, basis: Basis) -> Cell | None:
    mass, fact = mass_on(item, basis), item.facts.get("density_g_per_ml")
    if mass is None:
        return None
    if basis.mass_g is not None or fact is None:
        return _plain(mass.typical, "the basis itself", "defined")
    return _cell(mass, 1.0, fact)


def _price(item: Ingredient, _basis: Basis) -> Cell | None:
    return _plain(item.price_per_kg, "the lot that is drawn from first" if item.stock_g else "own price")


def _price_of(nutrient: str) -> Callable[[Ingredient, Basis], Cell | None]:
    """Price of 100 g of a nutrient: cheap where there is much of it, so its range turns the content's around."""

    def found(item: Ingredient, _basis: Basis) -> Cell | None:
        fact, price = item.facts.get(nutrient), item.price_per_kg
        if fact is None or price is None or fact.range.low <= 0:
            return None
        r = fact.range
        turned = Range(price * 10 / r.high, price * 10 / r.typical, price * 10 / r.low)
        return _cell(turned, 1.0, fact)

    return found


_SPECIAL: Mapping[str, Callable[[Ingredient, Basis], Cell | None]] = {
    "basis_g": _weight,
    "stock_g": lambda item, _: _plain(item.stock_g, "lots in the bins", "measured"),
    _PRICE: _price,
    **{name: _price_of(nutrient) for name, nutrient in PRICED_BY.items()},
    "usual_max_pct": lambda item, _: _plain(item.usual_max_pct, item.usual_max_reason, "estimate"),
    "gluten_mg_per_kg": lambda item, _: _plain(item.gluten_mg_per_kg, "declared or tested, of the lots in stock"),
}
