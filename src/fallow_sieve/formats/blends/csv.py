"""A blend as CSV: one part a row, units in the header. Names and percentages are written for the reader."""

from __future__ import annotations

import csv
import io
import re

from fallow_sieve.core.blends import MAX_MASS_G, MAX_PARTS, Analysis, Blend, Part
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.shared import Most, read_csv

COLUMNS = ("ingredient", "name", "mass_g", "flour_pct")
_NUMBER = re.compile(r"\d{1,12}(\.\d{1,12})?([eE][+-]?\d{1,2})?")


def write_blend_csv(analysis: Analysis) -> str:
    """Return the parts as CSV text: slug, name, mass in g, % of flour base."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(COLUMNS)
    for p in analysis.parts:
        writer.writerow(
            [p.ingredient, _guarded(p.name), repr(p.mass_g), "" if p.flour_pct is None else f"{p.flour_pct:.4f}"]
        )
    return out.getvalue()


def _guarded(text: str) -> str:
    """A name must not start a formula when the file is opened in a spreadsheet."""
    return f"'{text}" if text[:1] in "=+-@\t\r" else text


def read_blend_csv(data: bytes, name: str = "") -> Blend:
    """Return the blend in CSV `data`; columns `ingredient` and `mass_g` are read. Errors name row and column."""
    table = read_csv(data, Most(rows=MAX_PARTS))
    header = list(table.header)
    _check_header(header)
    rows = zip(table.rows, table.lines, strict=True)
    found = [_part(row, header, line) for row, line in rows if any(c.strip() for c in row)]
    if not found:
        raise BadInputError("no parts", place="row 2", right="give one row for each ingredient")
    return Blend(tuple(found), name)


def _check_header(header: list[str]) -> None:
    for needed in ("ingredient", "mass_g"):
        if needed not in header:
            raise BadInputError(
                f"no column {needed!r}", place="row 1", right=f"the header must be among {', '.join(COLUMNS)}"
            )
    for n, column in enumerate(header):
        if column not in COLUMNS:
            raise BadInputError(
                f"unknown column {shown(column)}", place=f"row 1, column {n + 1}", right=f"known: {', '.join(COLUMNS)}"
            )
        if header.index(column) != n:
            raise BadInputError(f"the column {column!r} stands twice", place=f"row 1, column {n + 1}", right="keep one")


def _part(row: list[str], header: list[str], line: int) -> Part:
    cells = dict(zip(header, (c.strip() for c in row), strict=False))
    if len(row) != len(header):
        raise BadInputError(f"{len(row)} cells", place=f"row {line}", right=f"the header has {len(header)}")
    mass = cells["mass_g"]
    if not _NUMBER.fullmatch(mass) or not 0 < float(mass) <= MAX_MASS_G:
        raise BadInputError(
            f"a mass of {shown(mass)}",
            place=f"row {line}, column mass_g",
            right="it must be a number of grams over 0, with a point for decimals",
        )
    if not cells["ingredient"]:
        raise BadInputError("no ingredient", place=f"row {line}, column ingredient", right="give its slug")
    return Part(cells["ingredient"], float(mass))
