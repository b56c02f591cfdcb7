"""Whether a file is a whole kitchen: SQLite's own checks, and that it is one of ours."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path

from fallow_sieve.safekeeping.files import how_to_read, opened

VERSIONS = Path(__file__).parents[1] / "store/migrations/versions"


def damage_of(path: Path) -> str:
    """Return what is wrong with the pages of the kitchen at `path`, found without comparing indexes; empty: nothing."""
    try:
        with closing(opened(path, how_to_read(path))) as connection:
            return _said(connection, "quick_check")
    except sqlite3.OperationalError:  # it cannot be opened here, which is no damage: whoever opens it will say why
        return ""
    except sqlite3.Error as error:
        return str(error)


def complaint_of(path: Path) -> str:
    """Return why the file at `path` is no whole kitchen that this version knows; empty where it is one."""
    try:
        with closing(opened(path)) as connection:
            return _not_ours(connection) or _said(connection, "integrity_check") or _loose(connection)
    except sqlite3.Error as error:
        return str(error)


def known_versions() -> set[str]:
    """Return the versions that the tables of a kitchen may be at."""
    return {p.name.split("_")[0] for p in VERSIONS.glob("[0-9]*.py")}


def _said(connection: sqlite3.Connection, check: str) -> str:
    found = [str(row[0]) for row in connection.execute(f"PRAGMA {check}(3)")]
    return "" if found == ["ok"] else " ".join("; ".join(found).split())


def _not_ours(connection: sqlite3.Connection) -> str:
    tables = {row[0] for row in connection.execute("SELECT name FROM sqlite_master")}
    if not {"alembic_version", "kitchen"} <= tables:
        return "it is no kitchen of Fallow Sieve"
    (version,) = connection.execute("SELECT version_num FROM alembic_version").fetchone() or ("unknown",)
    if version not in known_versions():
        return f"it comes from another version of Fallow Sieve ({version})"
    return ""


def _loose(connection: sqlite3.Connection) -> str:
    row = connection.execute("PRAGMA foreign_key_check").fetchone()
    return f"a row of {row[0]} names a {row[2]} that is not there" if row else ""
