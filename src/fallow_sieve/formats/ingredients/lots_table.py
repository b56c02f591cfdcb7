"""The lots in the bins as a table: one lot a row, masses in g, dates as year-month-day."""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from fallow_sieve.core.ingredients import Lot, check_lot
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.ingredients.shelf_table import MOST_ROWS, Refusal
from fallow_sieve.formats.shared import Table, guarded, unguarded

_TEXTS = ("code", "supplier", "gluten_basis", "note", "supplier_code")
_DATES = ("bought_on", "best_before", "gluten_on", "opened_on", "milled_on")
_NEEDED = ("ingredient", "code", "bought_g", "stock_g")
COLUMNS = (
    "ingredient",
    "code",
    "supplier",
    "bought_on",
    "bought_g",
    "stock_g",
    "best_before",
    "pack_g",
    "pack_price",
    "yield_pct",
    "price_per_kg",
    "gluten_mg_per_kg",
    "gluten_basis",
    "gluten_on",
    "note",
    "archived",
    "opened_on",
    "milled_on",
    "supplier_code",
)


@dataclass(frozen=True, slots=True)
class LotLine:
    """One lot of a table: its line, the slug of its ingredient, the lot, and whether it is put away."""

    line: int
    ingredient: str
    lot: Lot
    archived: bool


def lot_rows(lines: Iterable[LotLine]) -> Iterable[list[str | float | None]]:
    """Return the rows of a table of lots, without its header."""
    for x in lines:
        row: list[str | float | None] = []
        for column in COLUMNS:
            value = (
                x.ingredient
                if column == "ingredient"
                else x.archived
                if column == "archived"
                else getattr(x.lot, column)
            )
            row.append(_cell(value))
        yield row


def _cell(value: object) -> str | float | None:
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, date):
        return value.isoformat()
    if value is None or isinstance(value, int | float):
        return None if value is None else float(value)
    return guarded(str(value))


def read_lots(table: Table, today: date) -> tuple[list[LotLine], list[Refusal]]:
    """Return the lots of a table that can be true on the day `today`, and why the other rows cannot.

    Raises BadInputError for a header that cannot be used.
    """
    _check_header(table)
    found, refusals = [], []
    for line, row in zip(table.lines, table.rows, strict=True):
        cells = dict(zip(table.header, (c.strip() for c in row), strict=False))
        try:
            if len(row) != len(table.header):
                raise BadInputError(f"{len(row)} cells", right=f"the header has {len(table.header)}")
            found.append(_line(line, cells, today))
        except BadInputError as error:
            refusals.append(Refusal(line, error.place.lstrip("/"), error.wrong, error.right))
    return found, refusals


def _check_header(table: Table) -> None:
    for needed in _NEEDED:
        if needed not in table.header:
            raise BadInputError(f"no column {needed!r}", place="row 1", right=f"known: {', '.join(COLUMNS)}")
    for n, column in enumerate(table.header):
        if column not in COLUMNS or table.header.index(column) != n:
            raise BadInputError(
                f"the column {shown(column)}", place=f"row 1, column {n + 1}", right=f"once each: {', '.join(COLUMNS)}"
            )
    if len(table.rows) > MOST_ROWS:
        raise BadInputError(f"{len(table.rows)} rows", right=f"at most {MOST_ROWS} at a time")


def _line(line: int, cells: dict[str, str], today: date) -> LotLine:
    values: dict[str, object] = {}
    for column, text in cells.items():
        if column in ("ingredient", "archived"):
            continue
        if column in _TEXTS:
            values[column] = unguarded(text)
        elif text:
            values[column] = _date(column, text) if column in _DATES else _number(column, text)
    for needed in ("bought_g", "stock_g"):
        if needed not in values:
            raise BadInputError("a blank cell", place=f"/{needed}", right="a mass in g")
    if cells.get("archived", "") not in ("", "yes", "no"):
        raise BadInputError(f"{shown(cells['archived'])} will not do", place="/archived", right="yes or no")
    lot = Lot(**values)  # type: ignore[arg-type]
    check_lot(lot, today)
    return LotLine(line, cells["ingredient"], lot, cells.get("archived") == "yes")


def _date(column: str, text: str) -> date:
    try:
        return date.fromisoformat(text)
    except ValueError as error:
        raise BadInputError(f"{shown(text)} is no day", place=f"/{column}", right="such as 2026-03-14") from error


def _number(column: str, text: str) -> float:
    try:
        value = float(text)
    except ValueError:
        value = math.nan
    if not math.isfinite(value):
        raise BadInputError(
            f"{shown(text)} is no number", place=f"/{column}", right="a number with a point for decimals"
        )
    return value
