"""An archive read back: into a new file at its own version, checked against its digest, then brought forward."""

from __future__ import annotations

import csv
import json
import sqlite3
import stat
from collections.abc import Callable, Iterator
from contextlib import closing
from hashlib import sha256
from io import TextIOWrapper
from pathlib import Path, PurePosixPath
from typing import Any
from zipfile import BadZipFile, ZipFile, is_zipfile

from fallow_sieve.core.values import BadInputError
from fallow_sieve.safekeeping import plain_errors, remove
from fallow_sieve.store.archives.cells import value_of
from fallow_sieve.store.archives.tables import TableShape, digest_of, quoted, shapes_of
from fallow_sieve.store.archives.writing import ARCHIVE_VERSION, PACKAGE, Progress
from fallow_sieve.store.database import known_version, migrate, open_engine

MOST_BYTES = 2 * 1024**3
MOST_RATIO = 100
_SMALL_BYTES = 1_000_000  # a small file of the same words may well shrink more
_ROWS_AT_ONCE = 500
Problem = Callable[[str], BadInputError]


def is_archive(path: Path) -> bool:
    """Return whether a file is a ZIP, as an archive is."""
    return path.is_file() and is_zipfile(path)


def unpack(archive: Path, kitchen: Path, told: Progress = lambda *_: None) -> str:
    """Write the kitchen that `archive` holds to the new file `kitchen`, and return its digest.

    Raises BadInputError where the archive is not whole, is not ours, or does not come out the same; then nothing is
    left of it.
    """
    if kitchen.exists():
        raise BadInputError(f"{str(kitchen)!r} is there already", right="name a new file")
    try:
        with plain_errors(f"restoring {str(archive)!r}"), ZipFile(archive) as zipped:
            return _Reader(archive, zipped, kitchen, told).read()
    except BadZipFile as error:
        remove(kitchen)
        raise BadInputError(f"{str(archive)!r} cannot be read: {error}", right="try another copy of it") from error
    except BaseException:
        remove(kitchen)
        raise


class _Reader:
    """One archive on its way into a database."""

    def __init__(self, path: Path, zipped: ZipFile, kitchen: Path, told: Progress) -> None:
        self.path, self.zipped, self.kitchen, self.told = path, zipped, kitchen, told

    def read(self) -> str:
        said, resources = self._checked()
        engine = open_engine(self.kitchen)
        try:
            migrate(engine, said["database"])
        finally:
            engine.dispose()
        with closing(sqlite3.connect(self.kitchen, isolation_level=None)) as connection:
            self._fill(connection, said, resources)
        engine = open_engine(self.kitchen)
        try:
            migrate(engine)
        finally:
            engine.dispose()
        return str(said["digest"])

    def _wrong(self, what: str) -> BadInputError:
        return BadInputError(f"{str(self.path)!r} cannot be put back: {what}", right="try another copy of it")

    def _checked(self) -> tuple[dict[str, Any], dict[str, dict[str, Any]]]:
        """What the package says of itself, with every part where and as it says."""
        self._check_names()
        try:
            package = json.loads(self.zipped.read(PACKAGE))
            said, resources = package["fallow-sieve"], {r["path"]: r for r in package["resources"]}
            version, database = int(said["archive"]), str(said["database"])
        except (KeyError, TypeError, ValueError) as error:
            raise self._wrong("it is no archive of a kitchen") from error
        if version > ARCHIVE_VERSION or not known_version(database):
            raise self._wrong(f"it was written by a newer version of Fallow Sieve ({said.get('application', '?')})")
        names = set(self.zipped.namelist()) - {PACKAGE}
        if names != set(resources):
            odd = sorted(names ^ set(resources))[0]
            raise self._wrong(f"{odd} is {'not listed' if odd in names else 'missing'}")
        for name, resource in resources.items():
            self._check_hash(name, resource)
        return said, resources

    def _check_names(self) -> None:
        total = 0
        for info in self.zipped.infolist():
            path = PurePosixPath(info.filename)
            if (
                path.is_absolute()
                or ".." in path.parts
                or "\\" in info.filename
                or stat.S_ISLNK(info.external_attr >> 16)
            ):
                raise self._wrong(f"the name {info.filename!r} leads elsewhere")
            total += info.file_size
            swollen = info.file_size > _SMALL_BYTES and info.file_size > MOST_RATIO * max(1, info.compress_size)
            if total > MOST_BYTES or swollen:
                raise self._wrong("it would take too much room")

    def _check_hash(self, name: str, resource: dict[str, Any]) -> None:
        found = sha256()
        with self.zipped.open(name) as part:
            while some := part.read(1 << 20):
                found.update(some)
        if resource.get("hash") != f"sha256:{found.hexdigest()}":
            raise self._wrong(f"{name} is not as it was written")

    def _fill(self, connection: sqlite3.Connection, said: dict[str, Any], resources: dict[str, dict[str, Any]]) -> None:
        connection.execute("PRAGMA foreign_keys=OFF")
        shapes = {s.name: s for s in shapes_of(connection)}
        tables = [n.removeprefix("data/").removesuffix(".csv") for n in resources if n.startswith("data/")]
        unknown = sorted(set(tables) - set(shapes))
        if unknown:
            raise self._wrong(f"there is no table {unknown[0]}")
        connection.execute("BEGIN IMMEDIATE")
        for n, name in enumerate(sorted(tables)):
            self.told(n, len(tables), name)
            connection.execute(f"DELETE FROM {quoted(name)}") if _holds(connection, name) else None
            self._rows(connection, shapes[name])
        loose = connection.execute("PRAGMA foreign_key_check").fetchone()
        if loose:
            raise self._wrong(f"a row of {loose[0]} names a {loose[2]} that is not there")
        if len(tables) == len(shapes) and digest_of(connection) != said["digest"]:
            raise self._wrong("what came out is not what went in")
        connection.execute("COMMIT")
        self.told(len(tables), len(tables), "")

    def _rows(self, connection: sqlite3.Connection, shape: TableShape) -> None:
        with self.zipped.open(f"data/{shape.name}.csv") as part, TextIOWrapper(part, "utf-8", newline="") as text:
            rows = csv.reader(text)
            head = next(rows, [])
            kinds = dict(zip(shape.columns, shape.kinds, strict=True))
            if sorted(head) != sorted(shape.columns):
                raise self._wrong(f"data/{shape.name}.csv has other columns")
            columns = ", ".join(map(quoted, head))
            places = ", ".join("?" * len(head))
            query = f"INSERT INTO {quoted(shape.name)} ({columns}) VALUES ({places})"
            for some in _some(rows):
                try:
                    values = [
                        [value_of(c, kinds[k], self.zipped.read) for k, c in zip(head, r, strict=True)] for r in some
                    ]
                    connection.executemany(query, values)
                except (ValueError, KeyError, sqlite3.Error) as error:
                    raise self._wrong(f"data/{shape.name}.csv: {error}") from error


def _holds(connection: sqlite3.Connection, name: str) -> bool:
    return connection.execute(f"SELECT 1 FROM {quoted(name)} LIMIT 1").fetchone() is not None


def _some(rows: Iterator[list[str]]) -> Iterator[list[list[str]]]:
    some: list[list[str]] = []
    for row in rows:
        some.append(row)
        if len(some) >= _ROWS_AT_ONCE:
            yield some
            some = []
    if some:
        yield some
