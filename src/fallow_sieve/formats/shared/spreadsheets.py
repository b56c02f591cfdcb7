"""Spreadsheets in and out. How large a sheet is, is read from its text before any of it is laid out."""

from __future__ import annotations

import io
import re
import zipfile
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from itertools import chain

from fallow_sieve.core.values import BadInputError, control_at, without_controls
from fallow_sieve.formats.shared.csv_rows import Most, check_size
from fallow_sieve.formats.shared.packed import opened_archive

_CHUNK = 1024 * 1024
_MOST_LAID_OUT = 1_200_000  # cells of a sheet, the empty ones too: ten thousand flours with every column
_BESIDE_SHEETS = 32 * 1024 * 1024  # shared texts and styles, which are laid out whole
_CELL = re.compile(rb'<c r="([A-Z]{1,3})(\d{1,7})"')
_ROW = re.compile(rb"<row[\s/>]")
_NO_VALUE = re.compile(
    rb'<c\s+(?:[^>]*?\s)?r="([A-Z]{1,3}\d{1,7})"[^>]*>\s*<f(?:\s[^>]*)?(?:/>|>[^<]*</f>)\s*(?:<v\s*/>|<v></v>)?\s*</c>'
)
_ERROR = re.compile(rb'<c r="([A-Z]{1,3}\d{1,7})"[^>]*\st="e"')


def write_xlsx(header: Sequence[str], rows: Iterable[Sequence[str | float | None]], title: str) -> bytes:
    """Return a table as a spreadsheet with one sheet called `title`; control characters of older records stay out."""
    from xlsxwriter import Workbook  # only a workbook needs it

    out = io.BytesIO()
    options = {
        "constant_memory": True,
        "strings_to_formulas": False,
        "strings_to_urls": False,
        "nan_inf_to_errors": True,
    }
    book = Workbook(out, options)
    sheet = book.add_worksheet(title)
    sheet.freeze_panes(1, 1)
    for n, row in enumerate(chain([header], rows)):
        for at, cell in enumerate(row):
            if isinstance(cell, str) and cell:
                sheet.write_string(n, at, without_controls(cell))
            elif cell is not None and not isinstance(cell, str):
                sheet.write_number(n, at, cell)
    book.close()
    return out.getvalue()


def xlsx_rows(data: bytes, most: Most) -> tuple[list[list[str]], list[int]]:
    """Return the rows of the first sheet that are not empty, as texts, and the row each stands in.

    Raises BadInputError naming the cell, also for one that holds an error, or a formula without its value.
    """
    with opened_archive(data, "a spreadsheet") as archive:
        _check_sheets(archive, most)
    from python_calamine import CalamineError, CalamineWorkbook

    try:
        sheet = CalamineWorkbook.from_filelike(io.BytesIO(data)).get_sheet_by_index(0)
        read = sheet.to_python(skip_empty_area=False)
    except (CalamineError, IndexError, ValueError, OSError) as error:
        raise BadInputError(
            "not a spreadsheet that can be read", right="save it as .xlsx, or as CSV in UTF-8"
        ) from error
    rows, at = [], []
    for n, row in enumerate(read, start=1):
        texts = [c if type(c) is str else _text(c) for c in row]
        whole = "".join(texts)
        if not whole:
            continue
        if control_at(whole) is not None:
            raise BadInputError("a control character", place=f"row {n}", right="take it out: it cannot be printed")
        rows.append(texts)
        at.append(n)
    return rows, at


@dataclass
class _Seen:
    """What was counted of a sheet so far."""

    rows: int = 0
    cells: int = 0
    last_row: int = 0
    last_column: int = 0


def _check_sheets(archive: zipfile.ZipFile, most: Most) -> None:
    sheets = [i for i in archive.infolist() if i.filename.startswith("xl/worksheets/")]
    beside = sum(i.file_size for i in archive.infolist() if i not in sheets)
    if not sheets:
        raise BadInputError("a spreadsheet without a sheet", right="save it as .xlsx, or as CSV in UTF-8")
    if beside > _BESIDE_SHEETS:
        raise BadInputError(f"{beside} bytes of texts and styles", right=f"at most {_BESIDE_SHEETS}")
    for sheet in sheets:
        seen = _Seen()
        with archive.open(sheet) as stream:
            left = b""
            while chunk := stream.read(_CHUNK):
                left = _check_part(left + chunk, seen, most)
            _check_part(left + b"<row ", seen, most)


def _check_part(text: bytes, seen: _Seen, most: Most) -> bytes:
    """Count what whole rows `text` has, and return the beginning of the row that it breaks off in."""
    end = text.rfind(b"<row")
    if len(text) - max(end, 0) > 4 * _CHUNK:
        raise BadInputError("a row of more than 4 MB", place=f"row {seen.last_row + 1}", right="at most 500 columns")
    if end <= 0:
        return text
    whole = text[:end]
    cells = _CELL.findall(whole)
    if whole.count(b"<c ") + whole.count(b"<c>") + whole.count(b"<c/") != len(cells):
        right = "open it in a spreadsheet program and save it again, or as CSV in UTF-8"
        raise BadInputError("cells that do not say where they stand", right=right)
    seen.rows += len(_ROW.findall(whole))
    seen.cells += len(cells)
    seen.last_row = max(seen.last_row, *map(int, {row for _, row in cells}), 0)
    seen.last_column = max(seen.last_column, *map(_column, {column for column, _ in cells}), 0)
    _check_values(whole)
    check_size(seen.last_row - 1, seen.cells, seen.last_column, most, f"row {seen.last_row}")
    laid_out = Most(most.rows, min(most.cells, _MOST_LAID_OUT), most.columns)
    check_size(seen.rows - 1, seen.last_row * seen.last_column, 0, laid_out, f"row {seen.last_row}")
    return text[end:]


def _check_values(text: bytes) -> None:
    broken = _ERROR.search(text) if b't="e"' in text else None
    if broken is not None:
        raise BadInputError("an error instead of a value", place=f"cell {broken[1].decode()}", right="mend its formula")
    empty = _NO_VALUE.search(text) if b"<f" in text else None
    if empty is not None:
        right = "open it in a spreadsheet program and save it there, so that values are in it"
        raise BadInputError("a formula without its value", place=f"cell {empty[1].decode()}", right=right)


def _column(letters: bytes) -> int:
    number = 0
    for letter in letters:
        number = 26 * number + letter - 64
    return number


def _text(value: object) -> str:
    if type(value) is float:
        return str(int(value)) if value.is_integer() and abs(value) < 1e15 else repr(value)
    if value is None:
        return ""
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, datetime):
        return value.date().isoformat()
    return value.isoformat() if isinstance(value, date) else str(value)
