"""Making, filling and serving a kitchen."""

from __future__ import annotations

from datetime import UTC, datetime
from pathlib import Path

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
    """Serve the application in the browser."""
    from waitress import create_server

    from fallow_sieve.api.app import create_app

    application = create_app(_writable(db), only_this_machine=host in ("127.0.0.1", "localhost", "::1"))
    if with_demo:
        from fallow_sieve.demo import fill

        fill(application.extensions["kitchen"], datetime.now(UTC))
    try:
        server = create_server(application, host=host, port=port, threads=8)
    except OSError as error:
        raise BadInputError(
            f"cannot listen on {host}:{port}: {error.strerror}", right="choose another --port"
        ) from error
    typer.echo(f"Fallow Sieve is at http://{host}:{port}/ (stop with Ctrl+C)", err=True)
    server.run()


def _writable(db: Path) -> Path:
    if not db.absolute().parent.is_dir():
        raise BadInputError(f"there is no folder {str(db.absolute().parent)!r}", right="make it first, or name another")
    return db
