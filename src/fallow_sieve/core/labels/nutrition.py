"""The nutrition table of a label: which nutrients in which order, from typical means, rounded once at the end.

EU (Regulation (EU) 1169/2011): carbohydrate is what is available, fibre stands apart, salt = sodium × 2.5. US (21 CFR
101.9): carbohydrate with its fibre, sodium in mg. A nutrient that is not wholly known is not printed; a compulsory one
that is not known holds the table.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.values import Estimate

Printer = Callable[[str, float], str]
AVAILABLE = "available_carbohydrate_g"


@dataclass(frozen=True, slots=True)
class TableRow:
    """A row of the table: nutrient, key of its label text, unit, whether it must stand there, whether indented."""

    nutrient: str
    text: str
    unit: str
    compulsory: bool = True
    indented: bool = False


EU_ROWS: tuple[TableRow, ...] = (
    TableRow("energy_kj", "energy", "kJ"),
    TableRow("energy_kcal", "energy", "kcal"),
    TableRow("fat_g", "fat", "g"),
    TableRow("saturated_fat_g", "saturates", "g", indented=True),
    TableRow(AVAILABLE, "carbohydrate", "g"),
    TableRow("sugars_g", "sugars", "g", indented=True),
    TableRow("fibre_g", "fibre", "g", compulsory=False),
    TableRow("protein_g", "protein", "g"),
    TableRow("salt_g", "salt", "g"),
)
US_ROWS: tuple[TableRow, ...] = (
    TableRow("energy_kcal", "energy", ""),
    TableRow("fat_g", "fat", "g"),
    TableRow("saturated_fat_g", "saturates", "g", indented=True),
    TableRow("trans_fat_g", "trans_fat", "g", indented=True),
    TableRow("cholesterol_mg", "cholesterol", "mg"),
    TableRow("sodium_mg", "salt", "mg"),
    TableRow("carbohydrate_g", "carbohydrate", "g"),
    TableRow("fibre_g", "fibre", "g", indented=True),
    TableRow("sugars_g", "sugars", "g", indented=True),
    TableRow("added_sugars_g", "added_sugars", "g", indented=True),
    TableRow("protein_g", "protein", "g"),
    TableRow("vitamin_d_ug", "vitamin_d", "micrograms"),
    TableRow("calcium_mg", "calcium", "mg"),
    TableRow("iron_mg", "iron", "mg"),
    TableRow("potassium_mg", "potassium", "mg"),
)


@dataclass(frozen=True, slots=True)
class Declared:
    """A nutrient on the label: per 100 g or per portion (`per`), unrounded with its 95 % interval, and as printed.

    `outside` says where the interval leaves what the scheme tolerates around what is declared; empty where it does not.
    """

    nutrient: str
    text: str
    per: str
    value: float
    low: float
    high: float
    printed: str
    indented: bool
    outside: str = ""


@dataclass(frozen=True, slots=True)
class Table:
    """The rows that are printed, and the nutrients that are not known (compulsory ones hold the table)."""

    rows: tuple[Declared, ...]
    lacking: tuple[str, ...]
    not_printed: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Tolerance:
    """What may lie between the declared and the true value, from a value on: in g or in % of the declared."""

    nutrient: str
    start: float
    below: float | None
    low: float
    high: float
    is_pct: bool


def table_of(
    nutrients: Mapping[str, Estimate],
    rows: Sequence[TableRow],
    printer: Printer,
    tolerances: Sequence[Tolerance] = (),
    portion_g: float | None = None,
) -> Table:
    """Return the table of a mix whose `nutrients` are per 100 g; with `portion_g` also per portion, unrounded first."""
    told: list[Declared] = []
    lacking: list[str] = []
    left_out: list[str] = []
    for row in rows:
        found = nutrients.get(row.nutrient)
        if found is None or not found.is_known or found.typical is None:
            (lacking if row.compulsory else left_out).append(row.nutrient)
            continue
        told.append(_declared(row, found, printer, "100 g", 1.0, tolerances))
        if portion_g is not None:
            told.append(_declared(row, found, printer, f"{portion_g:g} g", portion_g / 100, ()))
    return Table(tuple(told), tuple(lacking), tuple(left_out))


def _declared(
    row: TableRow, e: Estimate, printer: Printer, per: str, factor: float, tolerances: Sequence[Tolerance]
) -> Declared:
    assert e.typical is not None
    value = e.typical * factor
    low, high = (value if x is None else x * factor for x in (e.low, e.high))
    text = printer(row.nutrient, value)
    shown = f"{text} {row.unit}".strip() if text[-1:].isdigit() else text
    return Declared(
        row.nutrient, row.text, per, value, low, high, shown, row.indented, _outside(row, value, low, high, tolerances)
    )


def allowed(nutrient: str, declared: float, tolerances: Sequence[Tolerance]) -> tuple[float, float] | None:
    """Return between which values a declared value may truly lie; None where the scheme says nothing of it."""
    for t in tolerances:
        if t.nutrient == nutrient and declared >= t.start and (t.below is None or declared < t.below):
            low, high = (declared * x / 100 if t.is_pct else x for x in (t.low, t.high))
            return max(0.0, declared + low), declared + high
    return None


def _outside(row: TableRow, value: float, low: float, high: float, tolerances: Sequence[Tolerance]) -> str:
    may = allowed("carbohydrate_g" if row.nutrient == AVAILABLE else row.nutrient, value, tolerances)
    if may is None or (low >= may[0] - 1e-9 and high <= may[1] + 1e-9):
        return ""
    return f"{low:.2g} to {high:.2g}, allowed {may[0]:.2g} to {may[1]:.2g}"
