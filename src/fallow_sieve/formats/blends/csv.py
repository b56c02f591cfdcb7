"""A blend as CSV: one part a row, units in the header. Names and percentages are written for the reader."""

from __future__ import annotations

import csv
import io
import re

from fallow_sieve.core.blends import MAX_MASS_G, MAX_PARTS, Analysis, Blend, Part
from fallow_sieve.core.values import BadInputError, shown

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
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise BadInputError(f"byte {error.start} is not UTF-8 text", right="save the file as CSV in UTF-8") from error
    try:
        rows = list(csv.reader(io.StringIO(text), strict=True))
    except csv.Error as error:
        raise BadInputError(f"not CSV: {error}", right="check for a missing quote") from error
    header = [c.strip() for c in rows[0]] if rows else []
    _check_header(header)
    found = [_part(row, header, line) for line, row in enumerate(rows[1:], start=2) if any(c.strip() for c in row)]
    if not found:
        raise BadInputError("no parts", place="row 2", right="give one row for each ingredient")
    if len(found) > MAX_PARTS:
        raise BadInputError(f"{len(found)} parts", right=f"a blend has at most {MAX_PARTS}")
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
