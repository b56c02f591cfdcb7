"""Readings as a tidy table (CSV): one reading a row, its unit beside its value."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping

from fallow_sieve.core.trials.quantities import FAULT, Quantity, quantity_named
from fallow_sieve.core.trials.readings import LAST_DAY, Reading, State, instant_of
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.shared import Most, Table, guarded, read_csv, unguarded, write_csv

COLUMNS = ("trial", "arm", "day", "quantity", "value", "unit", "state", "method", "at", "n", "sd")
_NEEDED = ("quantity", "value")
_MOST = Most(rows=20_000, columns=len(COLUMNS))
_NUMBER = re.compile(r"[-−+]?\d{1,12}(\.\d{1,17})?([eE][+-]?\d{1,3})?")


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
    unit = row.get("unit", "")
    if unit and unit != quantity.unit:
        right = f"{quantity.name} is given in {quantity.unit or 'no unit'}"
        raise BadInputError(f"the unit {shown(unit)}", place=f"row {line}, column unit", right=right)
    state = row.get("state") or (State.NOTED if row["value"] else State.PLANNED)
    if state not in set(State):
        raise BadInputError(f"the state {shown(state)}", place=f"row {line}, column state", right="noted or planned")
    value = _number(row, "value", line)
    day, n = _whole(row, "day", 0, 0, LAST_DAY, line), _whole(row, "n", 1, 1, 1000, line)
    at = instant_of(row["at"], f"row {line}, column at") if row.get("at") else ""
    method, sd = row.get("method", ""), _number(row, "sd", line)
    return Reading(quantity.name, value, row.get("arm", ""), State(state), method, n, day, at, sd=sd)


def _number(row: Mapping[str, str], column: str, line: int) -> float | None:
    text = row.get(column, "")
    if not text:
        return None
    if not _NUMBER.fullmatch(text):
        right = "a number with a point for decimals, or nothing where it was as planned"
        raise BadInputError(f"{shown(text)}", place=f"row {line}, column {column}", right=right)
    return float(text.replace("−", "-"))


def _whole(row: Mapping[str, str], column: str, usual: int, least: int, most: int, line: int) -> int:
    value = _number(row, column, line)
    if value is None:
        return usual
    if value != int(value) or not least <= value <= most:
        raise BadInputError(
            f"{value:g}", place=f"row {line}, column {column}", right=f"a whole number from {least} to {most}"
        )
    return int(value)
