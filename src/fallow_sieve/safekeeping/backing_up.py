"""A kitchen's database copied through SQLite's own backup, also while it is in use."""

from __future__ import annotations

import shutil
import sqlite3
from contextlib import closing
from pathlib import Path

from fallow_sieve.core.values import BadInputError
from fallow_sieve.safekeeping.checking import complaint_of
from fallow_sieve.safekeeping.files import beside, flush, how_to_read, opened, plain_errors, remove


def backup(path: Path, target: Path) -> None:
    """Copy the kitchen `path` to `target`, a plain file without companions, checked and on the disk.

    Raises BadInputError where `path` is no whole kitchen, `target` is there, or the disk does not allow it: then
    nothing is left of the copy.
    """
    if not path.is_file():
        raise BadInputError(f"there is no database {str(path)!r}", right="give --db the path of a kitchen")
    if target.exists():
        raise BadInputError(f"{str(target)!r} is there already", right="name a new file for the copy")
    partial = target.with_name(target.name + ".part")
    try:
        with plain_errors(f"copying to {str(target)!r}"):
            remove(partial)
            copy_whole(path, partial)
            complaint = complaint_of(partial)
            if complaint:
                raise BadInputError(f"{str(path)!r} cannot be copied: {complaint}", right="restore an earlier backup")
            flush(partial)
            partial.rename(target)
            flush(target.absolute().parent)
    finally:
        remove(partial)


def copy_whole(path: Path, target: Path) -> None:
    """Copy the database `path` with what its companions hold to the new file `target`, which has none."""
    try:
        with closing(opened(path, how_to_read(path))) as source, closing(sqlite3.connect(target)) as copy:
            source.backup(copy)
    except sqlite3.OperationalError as error:
        if "unable to open" not in str(error):
            raise
        for companion in ("", "-wal"):  # a folder that cannot be written: what is not yet in the file lies beside it
            if beside(path, companion).is_file():
                shutil.copyfile(beside(path, companion), beside(target, companion))
    with closing(sqlite3.connect(target)) as copy:
        copy.execute("PRAGMA journal_mode=DELETE")
