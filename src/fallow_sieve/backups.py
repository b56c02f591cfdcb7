"""A kitchen's database copied through SQLite's own backup, also while it is in use. Needs nothing but SQLite."""

from __future__ import annotations

import sqlite3
from pathlib import Path

from fallow_sieve.core.values import BadInputError


def backup(path: Path, target: Path) -> None:
    """Copy the database `path` to `target`. Raises BadInputError where `path` is not there or `target` is."""
    if not path.is_file():
        raise BadInputError(f"there is no database {str(path)!r}", right="give --db the path of a kitchen")
    if target.exists():
        raise BadInputError(f"{str(target)!r} is there already", right="name a new file for the copy")
    partial = target.with_name(target.name + ".part")
    source, copy = sqlite3.connect(path), sqlite3.connect(partial)
    try:
        source.backup(copy)
    finally:
        copy.close()
        source.close()
    partial.rename(target)
