"""The engine and its sessions: WAL, foreign keys, a busy timeout, one writer at a time, whole transactions."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, create_engine, event
from sqlmodel import Session

from fallow_sieve.core.values.errors import BadInputError

BUSY_TIMEOUT_MS = 5000
MIGRATIONS = Path(__file__).with_name("migrations")


def open_engine(path: Path) -> Engine:
    """Return an engine on the SQLite file `path`, which need not exist yet."""
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": BUSY_TIMEOUT_MS / 1000})
    event.listen(engine, "connect", _on_connect)
    event.listen(engine, "begin", _on_begin)
    return engine


def _on_connect(connection: Any, _record: object) -> None:
    # SQLAlchemy says BEGIN itself (below), so that a writer can take its lock at once.
    connection.isolation_level = None
    for pragma in ("journal_mode=WAL", "foreign_keys=ON", f"busy_timeout={BUSY_TIMEOUT_MS}", "synchronous=FULL"):
        connection.execute(f"PRAGMA {pragma}")


def _on_begin(connection: Any) -> None:
    immediate = connection.get_execution_options().get("immediate")
    connection.exec_driver_sql("BEGIN IMMEDIATE" if immediate else "BEGIN")


@contextmanager
def reading(engine: Engine) -> Iterator[Session]:
    """Give a session that reads one consistent state and writes nothing."""
    with Session(engine) as session:
        yield session


@contextmanager
def writing(engine: Engine) -> Iterator[Session]:
    """Give a session whose changes are one transaction: all of them are kept, or none where anything fails."""
    with Session(engine.execution_options(immediate=True), expire_on_commit=False) as session:
        yield session
        session.commit()


def migrate(engine: Engine) -> None:
    """Bring the database's tables to this version, forward from any released one."""
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.connect() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")
        connection.commit()


def backup(path: Path, target: Path) -> None:
    """Copy the database `path` to `target` through SQLite's own backup, also while it is in use.

    Raises BadInputError where `path` is not there or `target` is.
    """
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
