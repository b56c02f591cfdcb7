"""A Frictionless data package of the shelf and its lots: tables in CSV with a description that machines can read.

See docs/formats.md. The package is one ZIP: datapackage.json, ingredients.csv, numbers.csv, lots.csv.
"""

from __future__ import annotations

import io
import json
import zipfile
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.ingredients import lots_table, numbers_table, shelf_table
from fallow_sieve.formats.shared import Cells, Most, Table, opened_archive, read_csv, write_csv

ZIP_TYPE = "application/zip"
_MOST_NUMBERS = Most(rows=200_000)
_STAMP = (1980, 1, 1, 0, 0, 0)  # the same contents make the same bytes
_NUMBER_COLUMNS = {
    "low",
    "typical",
    "high",
    *(c for c in lots_table.COLUMNS if c.endswith(("_g", "_pct", "_kg", "_price"))),
}
_DATE_COLUMNS = {"bought_on", "best_before", "gluten_on"}
_KEYS = {
    "ingredients": ["slug"],
    "numbers": ["ingredient", "lot", "layer", "field"],
    "lots": ["ingredient", "code"],
}


@dataclass(frozen=True, slots=True)
class Packed:
    """The tables of a package as read."""

    ingredients: Table
    numbers: Table
    lots: Table


def write_package(name: str, ingredients: Cells, numbers: Cells, lots: Cells) -> bytes:
    """Return a data package called `name` with its three tables."""
    tables: dict[str, tuple[Iterable[str], Cells]] = {
        "ingredients": (shelf_table.TEXTS, (list(row[: len(shelf_table.TEXTS)]) for row in ingredients)),
        "numbers": (numbers_table.COLUMNS, numbers),
        "lots": (lots_table.COLUMNS, lots),
    }
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as packed:
        _put(packed, "datapackage.json", json.dumps(_description(name), ensure_ascii=False, indent=2) + "\n")
        for table, (header, rows) in tables.items():
            _put(packed, f"{table}.csv", write_csv(list(header), rows))
    return out.getvalue()


def _put(packed: zipfile.ZipFile, name: str, text: str) -> None:
    info = zipfile.ZipInfo(name, _STAMP)
    info.compress_type = zipfile.ZIP_DEFLATED
    packed.writestr(info, text)


def _description(name: str) -> dict[str, Any]:
    headers = {"ingredients": shelf_table.TEXTS, "numbers": numbers_table.COLUMNS, "lots": lots_table.COLUMNS}
    return {
        "profile": "tabular-data-package",
        "name": "fallow-sieve-shelf",
        "title": name,
        "description": "Ingredients, every number with how it is known, and the lots in the bins.",
        "resources": [
            {
                "name": table,
                "path": f"{table}.csv",
                "profile": "tabular-data-resource",
                "format": "csv",
                "mediatype": "text/csv",
                "encoding": "utf-8",
                "schema": _schema(table, list(columns)),
            }
            for table, columns in headers.items()
        ],
    }


def _schema(table: str, columns: list[str]) -> dict[str, Any]:
    schema: dict[str, Any] = {"fields": [{"name": c, "type": _type(c)} for c in columns], "primaryKey": _KEYS[table]}
    if table != "ingredients":
        reference = {"resource": "ingredients", "fields": "slug"}
        schema["foreignKeys"] = [{"fields": "ingredient", "reference": reference}]
    return schema


def _type(column: str) -> str:
    if column in ("archived", "set_aside"):
        return "string"
    if column in _DATE_COLUMNS:
        return "date"
    return "number" if column in _NUMBER_COLUMNS else "string"


def read_package(data: bytes) -> Packed:
    """Return the tables of a data package. Raises BadInputError where it is none of ours."""
    with opened_archive(data, "a package") as packed:
        return Packed(**{n: _table(packed, n) for n in ("ingredients", "numbers", "lots")})


def _table(packed: zipfile.ZipFile, name: str) -> Table:
    try:
        stream = packed.open(f"{name}.csv")
    except KeyError as error:
        raise BadInputError(f"{name}.csv is not in it", right="give a package that was written here") from error
    try:
        with stream:
            return read_csv(stream, _MOST_NUMBERS if name == "numbers" else None)
    except BadInputError as error:
        raise error.at(f"{name}.csv, ") from error
