"""The engine and its sessions: WAL, foreign keys, a busy timeout, one writer at a time, whole transactions."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from time import monotonic
from typing import Any
from urllib.parse import quote

from sqlalchemy import Connection, Engine, QueuePool, create_engine, event
from sqlalchemy.exc import OperationalError
from sqlmodel import Session

BUSY_TIMEOUT_MS = 5000
MIGRATION_PATIENCE_S = 120
MIGRATIONS = Path(__file__).with_name("migrations")


def open_engine(path: Path, how: str = "") -> Engine:
    """Return an engine on the SQLite file `path`, which need not exist yet.

    `how` is SQLite's own word for how a file is opened that is only read, such as mode=ro: then nothing is written.
    """
    name = f"file:{quote(str(path.absolute()))}?{how}" if how else str(path)
    engine = create_engine(
        "sqlite://",
        creator=lambda: sqlite3.connect(
            name, timeout=BUSY_TIMEOUT_MS / 1000, isolation_level=None, uri=bool(how), check_same_thread=False
        ),
        poolclass=QueuePool,
    )
    event.listen(engine, "connect", _on_connect_to_read if how else _on_connect)
    event.listen(engine, "begin", _on_begin)
    return engine


def _on_connect(connection: Any, _record: object) -> None:
    # SQLAlchemy says BEGIN itself (below), so that a writer can take its lock at once.
    connection.create_function("lowered", 1, str.lower, deterministic=True)  # SQLite's own knows no É
    for pragma in ("journal_mode=WAL", "foreign_keys=ON", f"busy_timeout={BUSY_TIMEOUT_MS}", "synchronous=FULL"):
        connection.execute(f"PRAGMA {pragma}")


def _on_connect_to_read(connection: Any, _record: object) -> None:
    connection.create_function("lowered", 1, str.lower, deterministic=True)
    connection.execute("PRAGMA query_only=ON")


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


class OtherVersionError(Exception):
    """The database was made by a version of Fallow Sieve that this one does not know."""


def migrate(engine: Engine, to: str = "") -> None:
    """Bring the database's tables to this version, or `to` a released one, forward only. Raises OtherVersionError."""
    wanted = to or newest_version()
    if version_of(engine) == wanted:
        return
    from alembic import command  # takes a third of a second to load, and is needed once for each new version
    from alembic.config import Config
    from alembic.util.exc import CommandError

    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with _alone(engine) as connection:
        if _version_at(connection) == wanted:
            return  # another start was quicker, and we waited for it
        config.attributes["connection"] = connection
        try:
            command.upgrade(config, wanted)
        except CommandError as error:
            raise OtherVersionError(str(error)) from error
        connection.commit()


@contextmanager
def _alone(engine: Engine) -> Iterator[Connection]:
    """Give a connection that nobody else writes beside, waiting as long as a large kitchen's migration may take."""
    with engine.connect() as connection:
        writer = connection.execution_options(immediate=True)
        until = monotonic() + MIGRATION_PATIENCE_S
        while True:
            try:
                writer.begin()
                break
            except OperationalError as error:
                if "locked" not in str(error.orig) or monotonic() > until:
                    raise
        yield writer


def known_version(version: str) -> bool:
    """Return whether this version of Fallow Sieve knows a version of the tables."""
    return any(p.name.split("_")[0] == version for p in (MIGRATIONS / "versions").glob("[0-9]*.py"))


def newest_version() -> str:
    """Return the version of the newest migration, by which its file's name begins."""
    return max(p.name.split("_")[0] for p in (MIGRATIONS / "versions").glob("[0-9]*.py"))


def version_of(engine: Engine) -> str | None:
    """Return the version that the tables are at, or None where there are none yet."""
    with engine.connect() as connection:
        return _version_at(connection)


def _version_at(connection: Connection) -> str | None:
    ask = connection.exec_driver_sql
    if not ask("SELECT 1 FROM sqlite_master WHERE name = 'alembic_version'").scalar():
        return None
    return str(ask("SELECT version_num FROM alembic_version").scalar())
