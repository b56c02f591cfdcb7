"""A kitchen on disk is one file with up to two companions: what is needed to copy, flush and name them."""

from __future__ import annotations

import os
import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from urllib.parse import quote

from fallow_sieve.core.values import BadInputError

COMPANIONS = ("-wal", "-shm", "-journal")


def beside(path: Path, companion: str) -> Path:
    """Return the path of a companion of the database `path`."""
    return path.with_name(path.name + companion)


def opened(path: Path, how: str = "mode=rw", wait_s: float = 5.0) -> sqlite3.Connection:
    """Return a connection to a file that is there; nothing is made where there is none."""
    return sqlite3.connect(f"file:{quote(str(path.absolute()))}?{how}", uri=True, timeout=wait_s, isolation_level=None)


def how_to_read(path: Path) -> str:
    """Return SQLite's word for reading `path` without writing to it.

    A file alone in a folder that cannot be written is read as it lies: SQLite would need a companion beside it.
    """
    is_alone = not any(beside(path, c).exists() for c in ("-wal", "-journal"))
    return "immutable=1" if is_alone and not os.access(path.absolute().parent, os.W_OK) else "mode=ro"


def flush(path: Path) -> None:
    """Have the file, or what a folder lists, on the disk itself before going on."""
    try:
        handle = os.open(path, os.O_RDONLY)
    except OSError:  # a folder cannot be opened everywhere
        if path.is_dir():
            return
        raise
    try:
        os.fsync(handle)
    finally:
        os.close(handle)


def remove(path: Path) -> None:
    """Remove the database `path` and its companions, as far as they are there."""
    for companion in ("", *COMPANIONS):
        with suppress(OSError):
            beside(path, companion).unlink()


@contextmanager
def plain_errors(what: str) -> Iterator[None]:
    """Say in one line what the disk or SQLite did not allow while `what` was done. Raises BadInputError."""
    try:
        yield
    except OSError as error:
        raise BadInputError(f"{what} failed: {error.strerror or error}", right=_RIGHT) from error
    except sqlite3.Error as error:
        raise BadInputError(f"{what} failed: {error}", right=_RIGHT) from error


_RIGHT = "make room, or name a folder that can be written; nothing was changed"
