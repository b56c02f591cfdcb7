"""The tables of a kitchen as they lie: their columns, their rows in key order, and the digest of all of it."""

from __future__ import annotations

import csv
import sqlite3
from collections.abc import Iterator
from dataclasses import dataclass
from hashlib import sha256
from io import StringIO

from fallow_sieve.store.archives.cells import Value, cell_of

VERSION_TABLE = "alembic_version"
_ROWS_AT_ONCE = 500


@dataclass(frozen=True, slots=True)
class TableShape:
    """A table: its name, its columns, their declared kinds, and those by which its rows are ordered."""

    name: str
    columns: tuple[str, ...]
    kinds: tuple[str, ...]
    key: tuple[str, ...]


def shapes_of(connection: sqlite3.Connection) -> list[TableShape]:
    """Return every table of a kitchen, by name; that of its version apart."""
    query = "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name"
    names = [row[0] for row in connection.execute(query)]
    return [_shape(connection, n) for n in names if n != VERSION_TABLE]


def _shape(connection: sqlite3.Connection, name: str) -> TableShape:
    rows = list(connection.execute(f"PRAGMA table_info({quoted(name)})"))
    key = tuple(row[1] for row in sorted(rows, key=lambda r: r[5]) if row[5])
    columns = tuple(row[1] for row in rows)
    return TableShape(name, columns, tuple(str(row[2]).split("(")[0].upper() for row in rows), key or columns)


def quoted(name: str) -> str:
    """Return a name of a table or column as SQL takes it."""
    return '"' + name.replace('"', '""') + '"'


def rows_of(connection: sqlite3.Connection, shape: TableShape) -> Iterator[tuple[Value, ...]]:
    """Return the rows of a table in key order."""
    columns = ", ".join(map(quoted, shape.columns))
    order = ", ".join(map(quoted, shape.key))
    yield from connection.execute(f"SELECT {columns} FROM {quoted(shape.name)} ORDER BY {order}")


def lines_of(connection: sqlite3.Connection, shape: TableShape) -> Iterator[bytes]:
    """Return a table as CSV, some rows at a time, its head first."""
    yield _csv([shape.columns])
    some: list[tuple[str, ...]] = []
    for row in rows_of(connection, shape):
        some.append(tuple(cell_of(v) for v in row))
        if len(some) >= _ROWS_AT_ONCE:
            yield _csv(some)
            some = []
    if some:
        yield _csv(some)


def _csv(rows: list[tuple[str, ...]]) -> bytes:
    text = StringIO()
    csv.writer(text, lineterminator="\n").writerows(rows)
    return text.getvalue().encode()


def digest_of(connection: sqlite3.Connection) -> str:
    """Return the digest of a kitchen: SHA-256 over each table's name and its rows in key order."""
    found = sha256()
    for shape in shapes_of(connection):
        found.update(f"{shape.name}\n".encode())
        for some in lines_of(connection, shape):
            found.update(some)
    return found.hexdigest()
