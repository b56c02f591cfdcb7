"""Every number with how it is known, one a row: what a data package carries so that nothing of it is lost."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from fallow_sieve.core.ingredients import HIGHEST, NUTRIENTS, PROPERTIES, Fact, Quality, range_for
from fallow_sieve.core.values import BadInputError, UnknownNameError, shown
from fallow_sieve.formats.ingredients.shelf_table import Refusal
from fallow_sieve.formats.shared import Table, guarded, unguarded

COLUMNS = (
    "ingredient",
    "lot",
    "layer",
    "field",
    "unit",
    "low",
    "typical",
    "high",
    "quality",
    "source",
    "noted_on",
    "set_aside",
)
OWN_LAYERS = ("own", "label", "measured")


@dataclass(frozen=True, slots=True)
class NumberLine:
    """One number: its line, ingredient, code of the lot (or empty), layer, field, and the fact."""

    line: int
    ingredient: str
    lot: str
    layer: str
    field: str
    fact: Fact
    aside: bool


def unit_of(field: str) -> str:
    """Return the unit of a number, with its basis."""
    if field in NUTRIENTS:
        return f"{NUTRIENTS[field].unit} per 100 g"
    if field in PROPERTIES:
        return PROPERTIES[field].unit
    return {"price_per_kg": "currency per kg", "gluten_mg_per_kg": "mg/kg", "usual_max_pct": "% of flour"}[field]


def number_rows(lines: Iterable[NumberLine]) -> Iterable[list[str | float | None]]:
    """Return the rows of a table of numbers, without its header."""
    for x in lines:
        r = x.fact.range
        yield [
            x.ingredient,
            guarded(x.lot),
            x.layer,
            x.field,
            unit_of(x.field),
            r.low,
            r.typical,
            r.high,
            str(x.fact.quality),
            guarded(x.fact.source),
            x.fact.noted_on,
            "yes" if x.aside else "no",
        ]


def read_numbers(table: Table) -> tuple[list[NumberLine], list[Refusal]]:
    """Return the numbers of a table, and why other rows cannot be used. Raises BadInputError for the header."""
    if table.header != COLUMNS:
        raise BadInputError(f"the columns are {', '.join(table.header)}", place="row 1", right=", ".join(COLUMNS))
    found, refusals = [], []
    for line, row in zip(table.lines, table.rows, strict=True):
        try:
            found.append(_line(line, row))
        except BadInputError as error:
            refusals.append(Refusal(line, error.place.lstrip("/"), error.wrong, error.right))
    return found, refusals


def _line(line: int, row: list[str]) -> NumberLine:
    if len(row) != len(COLUMNS):
        raise BadInputError(f"{len(row)} cells", right=f"the header has {len(COLUMNS)}")
    cells = dict(zip(COLUMNS, row, strict=True))
    if cells["field"] not in HIGHEST:
        raise UnknownNameError("field", cells["field"], HIGHEST, place="/field")
    if cells["layer"] not in OWN_LAYERS:
        raise BadInputError(f"the layer {shown(cells['layer'])}", place="/layer", right=", ".join(OWN_LAYERS))
    if cells["quality"] not in {str(q) for q in Quality}:
        raise BadInputError(f"the quality {shown(cells['quality'])}", place="/quality", right=", ".join(Quality))
    try:
        low, typical, high = (float(cells[n]) for n in ("low", "typical", "high"))
    except ValueError as error:
        raise BadInputError("a number that cannot be read", place="/typical", right="low, typical and high") from error
    fact = Fact(
        range_for(cells["field"], typical, low, high),
        Quality(cells["quality"]),
        unguarded(cells["source"])[:400],
        cells["noted_on"][:10],
    )
    aside = cells["set_aside"] == "yes"
    return NumberLine(line, cells["ingredient"], unguarded(cells["lot"]), cells["layer"], cells["field"], fact, aside)
