"""Readings as a tidy table (CSV): one reading a row, its unit beside its value."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping

from fallow_sieve.core.trials.quantities import FAULT, Quantity, quantity_named
from fallow_sieve.core.trials.readings import LAST_DAY, Reading, State, instant_of
from fallow_sieve.core.values import BadInputError, in_unit, shown
from fallow_sieve.formats.shared import Most, Table, guarded, read_csv, unguarded, write_csv

COLUMNS = ("trial", "arm", "day", "quantity", "value", "unit", "state", "method", "at", "n", "sd")
_NEEDED = ("quantity", "value")
_MOST = Most(rows=20_000, columns=len(COLUMNS))
_NUMBER = re.compile(r"[-−+]?\d{1,12}([.,]\d{1,17})?([eE][+-]?\d{1,3})?")

_THOUSANDS = re.compile(r"[-−+]?[1-9]\d{0,2},\d{3}")  # a thousand here, a decimal there


def write_readings_csv(trials: Iterable[tuple[str, Iterable[Reading]]], known: Mapping[str, Quantity]) -> str:
    """Return the readings of trials by name as CSV text, numbers so that they read back the same; none taken back."""
    rows = [_row(name, r, known) for name, readings in trials for r in readings if not r.withdrawn]
    return write_csv(COLUMNS, rows)


def _row(name: str, r: Reading, known: Mapping[str, Quantity]) -> list[str | float | None]:
    unit = "0–3" if r.quantity.startswith(FAULT) else known[r.quantity].unit
    return [
        guarded(name), guarded(r.arm), str(r.day), r.quantity, r.value, guarded(unit), str(r.state),
        guarded(r.method), r.at, str(r.n), r.sd,
    ]  # fmt: skip


def read_readings_csv(data: bytes, known: Mapping[str, Quantity]) -> list[tuple[str, Reading]]:
    """Return the readings of a table with the trial that each row names (empty: none). Errors name row and column."""
    table = read_csv(data, _MOST)
    _check_header(table)
    found = []
    for cells, line in zip(table.rows, table.lines, strict=True):
        if len(cells) != len(table.header):
            raise BadInputError(f"{len(cells)} cells", place=f"row {line}", right=f"the header has {len(table.header)}")
        row = dict(zip(table.header, (unguarded(c.strip()) for c in cells), strict=True))
        found.append((row.get("trial", ""), _reading(row, line, known)))
    return found


def _check_header(table: Table) -> None:
    header = table.header
    missing = [n for n in _NEEDED if n not in header]
    unknown = [n for n in header if n not in COLUMNS]
    if missing:
        raise BadInputError(f"no column {missing[0]!r}", place="row 1", right=f"known: {', '.join(COLUMNS)}")
    if unknown or len(set(header)) != len(header):
        wrong = f"unknown column {shown(unknown[0])}" if unknown else "a column that stands twice"
        raise BadInputError(wrong, place="row 1", right=f"known: {', '.join(COLUMNS)}")


def _reading(row: Mapping[str, str], line: int, known: Mapping[str, Quantity]) -> Reading:
    quantity = quantity_named(row["quantity"], known, f"row {line}, column quantity")
    state = row.get("state") or (State.NOTED if row["value"] else State.PLANNED)
    if state not in set(State):
        raise BadInputError(f"the state {shown(state)}", place=f"row {line}, column state", right="noted or planned")
    value, sd = (_in_its_unit(row, name, quantity, line) for name in ("value", "sd"))
    day, n = _whole(row, "day", 0, 0, LAST_DAY, line), _whole(row, "n", 1, 1, 1000, line)
    at = instant_of(row["at"], f"row {line}, column at") if row.get("at") else ""
    return Reading(quantity.name, value, row.get("arm", ""), State(state), row.get("method", ""), n, day, at, sd=sd)


def _in_its_unit(row: Mapping[str, str], column: str, quantity: Quantity, line: int) -> float | None:
    """A number in the quantity's own unit; one that another kitchen reads off its thermometer is brought to it."""
    value, unit = _number(row, column, line), row.get("unit", "")
    found = in_unit(value or 0.0, unit or quantity.unit, quantity.unit, spread=column == "sd")
    if found is None:
        right = f"{quantity.name} is given in {quantity.unit or 'no unit'}"
        raise BadInputError(f"the unit {shown(unit)}", place=f"row {line}, column unit", right=right)
    return None if value is None else found


def _number(row: Mapping[str, str], column: str, line: int) -> float | None:
    text = row.get(column, "")
    if not text:
        return None
    if not _NUMBER.fullmatch(text):
        right = "a number alone, or nothing where it was as planned"
        raise BadInputError(f"{shown(text)}", place=f"row {line}, column {column}", right=right)
    if _THOUSANDS.fullmatch(text):
        right = f"{text.replace(',', '')} or {text.replace(',', '.')}"
        raise BadInputError(f"{shown(text)} may be either", place=f"row {line}, column {column}", right=right)
    return float(text.replace("−", "-").replace(",", "."))


def _whole(row: Mapping[str, str], column: str, usual: int, least: int, most: int, line: int) -> int:
    value = _number(row, column, line)
    if value is None:
        return usual
    if value != int(value) or not least <= value <= most:
        raise BadInputError(
            f"{value:g}", place=f"row {line}, column {column}", right=f"a whole number from {least} to {most}"
        )
    return int(value)
