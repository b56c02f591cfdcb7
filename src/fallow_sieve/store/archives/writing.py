"""A kitchen written into one ZIP, also while it is in use; the same kitchen gives the same bytes."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Callable, Iterable, Iterator
from contextlib import closing
from dataclasses import dataclass
from hashlib import sha256
from pathlib import Path
from typing import Any
from zipfile import ZIP_DEFLATED, ZIP_STORED, ZipFile, ZipInfo

from fallow_sieve import __version__
from fallow_sieve.core.values import BadInputError
from fallow_sieve.safekeeping import flush, how_to_read, opened, plain_errors, remove
from fallow_sieve.store.archives.cells import file_of
from fallow_sieve.store.archives.tables import VERSION_TABLE, TableShape, lines_of, quoted, shapes_of

ARCHIVE_VERSION = 1
PACKAGE = "datapackage.json"
_STAMP = (1980, 1, 1, 0, 0, 0)
Progress = Callable[[int, int, str], None]


@dataclass(frozen=True, slots=True)
class Archived:
    """What an archive holds: rows by table, how many pictures, and the digest of the kitchen."""

    rows: dict[str, int]
    photos: int
    digest: str


def write_archive(
    kitchen: Path,
    target: Path,
    told: Progress = lambda *_: None,
    photos: bool = True,
    readable: Iterable[tuple[str, bytes]] = (),
) -> Archived:
    """Write the kitchen into the new file `target`; `told` hears how far it is.

    `readable` are files (name, bytes) that lie beside the tables for whoever opens it; they are not read back.

    Without `photos` the tables that hold pictures are left out. Raises BadInputError where `target` is there already
    or the disk does not allow it: then nothing is left of it.
    """
    if not kitchen.is_file():
        raise BadInputError(f"there is no database {str(kitchen)!r}", right="give --db the path of a kitchen")
    if target.exists():
        raise BadInputError(f"{str(target)!r} is there already", right="name a new file for the archive")
    partial = target.with_name(target.name + ".part")
    try:
        with plain_errors(f"writing {str(target)!r}"):
            remove(partial)
            with closing(opened(kitchen, how_to_read(kitchen))) as connection:
                connection.execute("BEGIN")
                done = _Writer(connection, partial, told, photos).write(readable)
            flush(partial)
            partial.rename(target)
            flush(target.absolute().parent)
    finally:
        remove(partial)
    return done


class _Writer:
    """One archive on its way: each part is written, and noted with its size and hash."""

    def __init__(self, connection: sqlite3.Connection, path: Path, told: Progress, photos: bool) -> None:
        self.connection, self.path, self.told, self.photos = connection, path, told, photos
        self.resources: list[dict[str, Any]] = []
        self.rows: dict[str, int] = {}
        self.digest = sha256()

    def write(self, readable: Iterable[tuple[str, bytes]]) -> Archived:
        shapes = [s for s in shapes_of(self.connection) if self.photos or "BLOB" not in s.kinds]
        with ZipFile(self.path, "w", ZIP_DEFLATED) as archive:
            for n, shape in enumerate(shapes):
                self.told(n, len(shapes), shape.name)
                self._table(archive, shape)
            pictures = self._pictures(archive, [s for s in shapes if "BLOB" in s.kinds])
            for name, data in readable:
                self._part(archive, name, iter((data,)), "data-resource")
            archive.writestr(_named(PACKAGE), self._package())
        self.told(len(shapes), len(shapes), "")
        return Archived(self.rows, pictures, self.digest.hexdigest())

    def _table(self, archive: ZipFile, shape: TableShape) -> None:
        query = f"SELECT COUNT(*) FROM {quoted(shape.name)}"
        (self.rows[shape.name],) = self.connection.execute(query).fetchone()
        self.digest.update(f"{shape.name}\n".encode())
        self._part(archive, f"data/{shape.name}.csv", self._digested(shape), "tabular-data-resource")

    def _digested(self, shape: TableShape) -> Iterator[bytes]:
        for some in lines_of(self.connection, shape):
            self.digest.update(some)
            yield some

    def _part(self, archive: ZipFile, name: str, data: Iterator[bytes], profile: str) -> None:
        size, found = 0, sha256()
        with archive.open(_named(name), "w") as out:
            for some in data:
                out.write(some)
                found.update(some)
                size += len(some)
        said = {"name": _plain(name), "path": name, "profile": profile, "bytes": size}
        self.resources.append({**said, "hash": f"sha256:{found.hexdigest()}"})

    def _pictures(self, archive: ZipFile, shapes: list[TableShape]) -> int:
        seen: set[str] = set()
        for shape in shapes:
            blobs = [c for c, k in zip(shape.columns, shape.kinds, strict=True) if k == "BLOB"]
            query = f"SELECT {', '.join(map(quoted, blobs))} FROM {quoted(shape.name)}"
            for row in self.connection.execute(query):
                for data in row:
                    if data is not None and (name := file_of(data)) not in seen:
                        seen.add(name)
                        self._part(archive, name, iter((data,)), "data-resource")
        return len(seen)

    def _package(self) -> str:
        (version,) = self.connection.execute(f"SELECT version_num FROM {VERSION_TABLE}").fetchone()
        said = {
            "profile": "tabular-data-package",
            "name": "fallow-sieve-kitchen",
            "resources": sorted(self.resources, key=lambda r: r["path"]),
            "fallow-sieve": {
                "archive": ARCHIVE_VERSION,
                "application": __version__,
                "database": version,
                "rows": self.rows,
                "digest": self.digest.hexdigest(),
            },
        }
        return json.dumps(said, indent=1, sort_keys=True)


def _named(name: str) -> ZipInfo:
    info = ZipInfo(name, _STAMP)
    info.compress_type = ZIP_STORED if name.startswith("photos/") else ZIP_DEFLATED
    return info


def _plain(name: str) -> str:
    """The name of a part within the package: its table or picture, or its folder and file."""
    return name.removeprefix("data/").removeprefix("photos/").split(".")[0].replace("/", "-")
