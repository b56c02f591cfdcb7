"""CSV read row by row: lines, cells and rows are counted while they are read, so that no file costs much."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterator
from dataclasses import dataclass
from typing import IO

from fallow_sieve.core.values import BadInputError, control_at

_CHARACTERS_IN_A_ROW = 1_000_000
_LONGEST_LINE = 4 * _CHARACTERS_IN_A_ROW  # bytes
_EMPTY_LINES = 100_000
_LONE_RETURN = re.compile(r"(?<=\r)(?!\n)")


@dataclass(frozen=True, slots=True)
class Most:
    """How many rows under the header and how many cells in all a table may have."""

    rows: int = 20_000
    cells: int = 2_000_000
    columns: int = 500


def csv_rows(data: bytes | IO[bytes], most: Most) -> tuple[list[list[str]], list[int]]:
    """Return the rows of CSV (UTF-8) that are not empty, and the line each ends on.

    Raises BadInputError naming the line, also where there are more rows or cells than `most`.
    """
    if isinstance(data, bytes):
        data = io.BytesIO(data if b"\n" in data else data.replace(b"\r", b"\n"))
    lines = _Lines(data)
    reader = csv.reader(lines, delimiter=lines.delimiter(), strict=True)
    try:
        return _kept(reader, lines, most)
    except csv.Error as error:
        raise BadInputError(
            f"not CSV: {error}", place=f"line {lines.number}", right="check for a missing quote"
        ) from error


def _kept(reader: Iterator[list[str]], lines: _Lines, most: Most) -> tuple[list[list[str]], list[int]]:
    rows, at, cells, empty = [], [], 0, 0
    for row in reader:
        lines.row_is_done()
        if not any(row):
            empty += 1
            if empty > _EMPTY_LINES:
                wrong = f"more than {_EMPTY_LINES} empty lines"
                raise BadInputError(wrong, place=f"line {lines.number}", right="take them out")
            continue
        rows.append(row)
        at.append(lines.number)
        cells += len(row)
        check_size(len(rows) - 1, cells, len(row), most, f"line {lines.number}")
    return rows, at


def check_size(rows: int, cells: int, columns: int, most: Most, place: str) -> None:
    """Raise BadInputError at `place` where that many rows under the header, cells or columns are more than `most`."""
    found = ((columns, most.columns, "columns"), (rows, most.rows, "rows"), (cells, most.cells, "cells"))
    for count, limit, what in found:
        if count > limit:
            raise BadInputError(
                f"more than {limit} {what}", place=place, right=f"bring in at most {limit} {what} at once"
            )


def _too_long(line: int) -> BadInputError:
    wrong = f"a row of more than {_CHARACTERS_IN_A_ROW} characters"
    return BadInputError(wrong, place=f"line {line}", right="check for a missing quote")


class _Lines:
    """The lines of a file as text, a row never longer than is sensible; `number` is that of the last one given."""

    def __init__(self, data: IO[bytes]) -> None:
        self._data, self.number, self._in_row = data, 0, 0
        self._waiting: list[str] = []

    def __iter__(self) -> _Lines:
        return self

    def delimiter(self) -> str:
        """A semicolon or a tab where the header is parted by it alone: so spreadsheets write beside decimal commas."""
        try:
            self._waiting = self._read()[::-1]
        except StopIteration:
            return ","
        header = self._waiting[-1]
        return next((d for d in ";\t" if d in header and "," not in header), ",")

    def row_is_done(self) -> None:
        self._in_row = 0

    def __next__(self) -> str:
        if not self._waiting:
            self._waiting = self._read()[::-1]
        line = self._waiting.pop()
        self.number += 1
        self._in_row += len(line)
        if self._in_row > _CHARACTERS_IN_A_ROW:
            raise _too_long(self.number)
        return line

    def _read(self) -> list[str]:
        raw = self._data.readline(_LONGEST_LINE)
        if not raw:
            raise StopIteration
        if len(raw) == _LONGEST_LINE:
            raise _too_long(self.number + 1)
        try:
            text = raw.decode("utf-8-sig" if self.number == 0 else "utf-8")
        except UnicodeDecodeError as error:
            raise BadInputError(
                f"byte {error.start} of line {self.number + 1} is not UTF-8 text", right="save the file as CSV in UTF-8"
            ) from error
        at = control_at(text)
        if at is not None:
            wrong = f"a control character (U+{ord(text[at]):04X})"
            raise BadInputError(
                wrong, place=f"line {self.number + 1}", right="take it out: it cannot be seen or printed"
            )
        return _LONE_RETURN.split(text) if "\r" in text[:-2] else [text]
