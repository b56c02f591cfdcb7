"""Reads a bundled CSV table into typed rows: one frozen dataclass a table, one instance a row."""

from __future__ import annotations

import csv
from collections.abc import Callable
from dataclasses import fields
from functools import cache
from hashlib import blake2b
from importlib.resources import files
from typing import Any, TypeVar, get_type_hints

from fallow_sieve.core.values import BadInputError

RowT = TypeVar("RowT")


def _words(text: str) -> tuple[str, ...]:
    return tuple(word for word in text.split(";") if word)


def _optional(text: str) -> float | None:
    return float(text) if text else None


def _yes(text: str) -> bool:
    return {"yes": True, "no": False}[text]


_READERS: dict[Any, Callable[[str], Any]] = {
    str: str,
    float: float,
    int: int,
    bool: _yes,
    float | None: _optional,
    tuple[str, ...]: _words,
}


def read_table(name: str, row_type: type[RowT]) -> tuple[RowT, ...]:
    """Return the rows of the bundled table `name` (without .csv) as `row_type`, whose fields are its columns.

    Raises BadInputError naming the table, line and column where a cell cannot be read.
    """
    hints = get_type_hints(row_type)
    columns = [f.name for f in fields(row_type)]  # type: ignore[arg-type]
    text = files("fallow_sieve.reference").joinpath(f"tables/{name}.csv").read_text(encoding="utf-8")
    reader = csv.DictReader(text.splitlines())
    if list(reader.fieldnames or ()) != columns:
        raise BadInputError(f"the columns are {reader.fieldnames}", place=name, right=f"they must be {columns}")
    return tuple(
        row_type(**{c: _cell(name, line, c, row[c], hints[c]) for c in columns})
        for line, row in enumerate(reader, start=2)
    )


@cache
def tables_version() -> str:
    """Return a mark of all bundled tables: it changes whenever a cell of one does."""
    folder = files("fallow_sieve.reference").joinpath("tables")
    tables = sorted((t for t in folder.iterdir() if t.name.endswith(".csv")), key=lambda t: t.name)
    whole = b"".join(blake2b(t.read_bytes(), digest_size=16).digest() for t in tables)
    return blake2b(whole, digest_size=8).hexdigest()


def _cell(table: str, line: int, column: str, text: str, kind: object) -> object:
    try:
        return _READERS[kind](text)
    except (ValueError, KeyError) as error:
        raise BadInputError(
            f"cannot read {text!r}", place=f"{table}.csv line {line}, column {column}", right=f"it must be {kind}"
        ) from error
