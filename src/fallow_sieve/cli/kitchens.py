"""Making, filling and serving a kitchen."""

from __future__ import annotations

import gc
from contextlib import suppress
from ctypes import CDLL
from datetime import UTC, datetime
from pathlib import Path
from signal import SIGTERM, signal
from typing import Any

import typer

from fallow_sieve.core.values import BadInputError
from fallow_sieve.store import KitchenStore


def init(db: Path) -> None:
    """Make a kitchen's database with the bundled library, or bring an older one up to date."""
    KitchenStore(_writable(db)).close()
    typer.echo(f"{db} is ready.", err=True)


def demo(db: Path, fresh: bool) -> None:
    """Make the demo kitchen unless it is there already."""
    from fallow_sieve.demo import fill

    if fresh:
        for suffix in ("", "-wal", "-shm"):
            db.with_name(db.name + suffix).unlink(missing_ok=True)
    kitchen = KitchenStore(_writable(db))
    made = fill(kitchen, datetime.now(UTC))
    kitchen.close()
    typer.echo(f"The demo kitchen is {'made' if made else 'there already'}: {db}", err=True)


def serve(db: Path, host: str, port: int, with_demo: bool) -> None:
    """Serve the application in the browser, until Ctrl+C or SIGTERM; then the kitchen is closed, one whole file."""
    from fallow_sieve.api.app import create_app

    _check_whole(_writable(db))
    _keep_memory_together()
    application = create_app(db, only_this_machine=host in ("127.0.0.1", "localhost", "::1"))
    kitchen = application.extensions["kitchen"]
    gc.freeze()  # what is there now stays: nobody who asks waits until it was looked through for garbage
    signal(SIGTERM, _ended)
    try:
        if with_demo:
            from fallow_sieve.demo import fill

            fill(kitchen, datetime.now(UTC))
        server = _listening(application, host, port)
        typer.echo(f"Fallow Sieve is at http://{host}:{port}/ (stop with Ctrl+C)", err=True)
        server.run()
    finally:
        application.extensions["sheets"].close()
        application.extensions["demo"].close()
        kitchen.close()


def _listening(application: Any, host: str, port: int) -> Any:
    """Return a server that listens already. Raises BadInputError where it cannot."""
    from waitress import create_server

    try:
        return create_server(application, host=host, port=port, threads=8)
    except OSError as error:
        raise BadInputError(
            f"cannot listen on {host}:{port}: {error.strerror}", right="choose another --port"
        ) from error


def _keep_memory_together() -> None:
    """Let all threads take memory from two places: eight of their own each keep what one large answer once needed."""
    with suppress(OSError, AttributeError, TypeError):  # only the C library of Linux knows of them
        CDLL(None).mallopt(_MOST_ARENAS, 2)


_MOST_ARENAS = -8  # M_ARENA_MAX of malloc.h


def _ended(_signal: int, _frame: object) -> None:
    raise SystemExit(0)


def _check_whole(db: Path) -> None:
    """Raise BadInputError for a kitchen whose file is damaged, before anything is written to it."""
    from fallow_sieve.safekeeping import damage_of

    damage = damage_of(db) if db.is_file() and db.stat().st_size else ""
    if damage:
        raise BadInputError(
            f"the file of the kitchen {str(db)!r} is damaged ({damage})",
            right=f"leave it as it is, and put your last copy back: fallow-sieve restore BACKUP --db {db}",
        )


def _writable(db: Path) -> Path:
    if not db.absolute().parent.is_dir():
        raise BadInputError(f"there is no folder {str(db.absolute().parent)!r}", right="make it first, or name another")
    return db
