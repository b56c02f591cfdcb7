"""Tables in and out: CSV and spreadsheets with the same header and the same cells."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import IO

from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.shared.csv_rows import Most, csv_rows
from fallow_sieve.formats.shared.spreadsheets import xlsx_rows

CSV_TYPE = "text/csv"
XLSX_TYPE = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
_STARTS_FORMULA = ("=", "+", "-", "@", "\t", "\r")


@dataclass(frozen=True, slots=True)
class Table:
    """A table as read: its header, and rows of texts with the line of the file each stands on."""

    header: tuple[str, ...]
    rows: list[list[str]]
    lines: tuple[int, ...]


Cells = Iterable[Sequence[str | float | None]]


def guarded(text: str) -> str:
    """Return a text that a spreadsheet does not take for a formula."""
    return f"'{text}" if text.lstrip("'").startswith(_STARTS_FORMULA) else text


def unguarded(text: str) -> str:
    """Return a text without its guard."""
    return text[1:] if text[:1] == "'" and text.lstrip("'").startswith(_STARTS_FORMULA) else text


def write_csv(header: Sequence[str], rows: Cells) -> str:
    """Return a table as CSV text; numbers are written so that they read back the same."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(header)
    writer.writerows([repr(c) if isinstance(c, float) else c for c in row] for row in rows)
    return out.getvalue()


def read_table(data: bytes, mimetype: str, most: Most | None = None) -> Table:
    """Return the table in `data`, CSV or a spreadsheet by its `mimetype`. Raises BadInputError."""
    return _read_xlsx(data, most or Most()) if mimetype == XLSX_TYPE else read_csv(data, most)


def read_csv(data: bytes | IO[bytes], most: Most | None = None) -> Table:
    """Return the table in CSV `data` (UTF-8). Raises BadInputError naming the place."""
    return _table(*csv_rows(data, most or Most()))


def _table(rows: list[list[str]], lines: list[int]) -> Table:
    if not rows:
        raise BadInputError("an empty file", right="give a header row and one row for each record")
    return Table(tuple(c.strip() for c in rows[0]), rows[1:], tuple(lines[1:]))


def _read_xlsx(data: bytes, most: Most) -> Table:
    table = _table(*xlsx_rows(data, most))
    width = len(table.header)
    while width and not table.header[width - 1]:
        width -= 1
    rows = [r if len(r) == width else (r + [""] * width)[:width] for r in table.rows]
    return Table(table.header[:width], rows, table.lines)
