"""The engine and its sessions: WAL, foreign keys, a busy timeout, one writer at a time, whole transactions."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from sqlalchemy import Engine, create_engine, event
from sqlmodel import Session

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


class OtherVersionError(Exception):
    """The database was made by a version of Fallow Sieve that this one does not know."""


def migrate(engine: Engine) -> None:
    """Bring the database's tables to this version, forward from any released one. Raises OtherVersionError."""
    if _version_of(engine) == newest_version():
        return
    from alembic import command  # takes a third of a second to load, and is needed once for each new version
    from alembic.config import Config
    from alembic.util.exc import CommandError

    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.connect() as connection:
        config.attributes["connection"] = connection
        try:
            command.upgrade(config, "head")
        except CommandError as error:
            raise OtherVersionError(str(error)) from error
        connection.commit()


def newest_version() -> str:
    """Return the version of the newest migration, by which its file's name begins."""
    return max(p.name.split("_")[0] for p in (MIGRATIONS / "versions").glob("[0-9]*.py"))


def _version_of(engine: Engine) -> str | None:
    """The version that the tables are at, or None where there are none yet."""
    with engine.connect() as connection:
        ask = connection.exec_driver_sql
        if not ask("SELECT 1 FROM sqlite_master WHERE name = 'alembic_version'").scalar():
            return None
        return str(ask("SELECT version_num FROM alembic_version").scalar())
