"""Tables in and out: CSV and spreadsheets with the same header and the same cells."""

from __future__ import annotations

import csv
import io
import zipfile
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any

from fallow_sieve.core.values import BadInputError

MOST_UNPACKED_BYTES = 256 * 1024 * 1024
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


def write_xlsx(header: Sequence[str], rows: Cells, title: str) -> bytes:
    """Return a table as a spreadsheet with one sheet called `title`."""
    from openpyxl import Workbook  # only a workbook needs it

    book = Workbook(write_only=True)
    sheet = book.create_sheet(title)
    sheet.freeze_panes = "B2"
    sheet.append(list(header))
    for row in rows:
        sheet.append([c if c != "" else None for c in row])
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def read_table(data: bytes, mimetype: str) -> Table:
    """Return the table in `data`, CSV or a spreadsheet by its `mimetype`. Raises BadInputError."""
    return _read_xlsx(data) if mimetype == XLSX_TYPE else read_csv(data)


def read_csv(data: bytes) -> Table:
    """Return the table in CSV `data` (UTF-8). Raises BadInputError naming the place."""
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise BadInputError(f"byte {error.start} is not UTF-8 text", right="save the file as CSV in UTF-8") from error
    reader = csv.reader(io.StringIO(text, newline=""), strict=True)
    try:
        rows, lines = _lined(reader, text)
    except csv.Error as error:
        raise BadInputError(
            f"not CSV: {error}", place=f"line {reader.line_num}", right="check for a missing quote"
        ) from error
    return _table(rows, lines)


def _lined(reader: Any, text: str) -> tuple[list[list[str]], list[int]]:
    """The rows that are not empty, and the line each ends on."""
    if '"' not in text:  # then no cell holds a line break, and rows are lines
        rows = list(reader)
        lines = list(range(1, len(rows) + 1))
    else:
        rows, lines = [], []
        for row in reader:
            rows.append(row)
            lines.append(reader.line_num)
    kept = [n for n, row in enumerate(rows) if any(row)]
    if len(kept) == len(rows):
        return rows, lines
    return [rows[n] for n in kept], [lines[n] for n in kept]


def _table(rows: list[list[str]], lines: list[int]) -> Table:
    if not rows:
        raise BadInputError("an empty file", right="give a header row and one row for each record")
    return Table(tuple(c.strip() for c in rows[0]), rows[1:], tuple(lines[1:]))


def _read_xlsx(data: bytes) -> Table:
    _check_size(data)
    try:
        from openpyxl import load_workbook

        book = load_workbook(io.BytesIO(data), read_only=True, data_only=True)
        sheet = book.worksheets[0]
        read = [(n, [_text(c) for c in row]) for n, row in enumerate(sheet.iter_rows(values_only=True), start=1)]
    except BadInputError:
        raise
    except Exception as error:  # openpyxl raises whatever a broken file leads it to
        raise BadInputError(
            "not a spreadsheet that can be read", right="save it as .xlsx, or as CSV in UTF-8"
        ) from error
    kept = [(n, row) for n, row in read if any(row)]
    table = _table([row for _, row in kept], [n for n, _ in kept])
    width = len(table.header)
    while width and not table.header[width - 1]:
        width -= 1
    return Table(table.header[:width], [(r + [""] * width)[:width] for r in table.rows], table.lines)


def _check_size(data: bytes) -> None:
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as packed:
            size = sum(i.file_size for i in packed.infolist())
    except zipfile.BadZipFile as error:
        raise BadInputError("not a spreadsheet", right="save it as .xlsx, or as CSV in UTF-8") from error
    if size > MOST_UNPACKED_BYTES:
        raise BadInputError(f"{size} bytes unpacked", right=f"at most {MOST_UNPACKED_BYTES}")


def _text(value: object) -> str:
    if value is None:
        return ""
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, float):
        return repr(value)
    if isinstance(value, datetime):
        return value.date().isoformat()
    return value.isoformat() if isinstance(value, date) else str(value)
