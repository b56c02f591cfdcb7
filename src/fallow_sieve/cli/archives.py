"""`archive` and `restore`: the whole kitchen into one ZIP, and back."""

from __future__ import annotations

import sys
from datetime import datetime
from pathlib import Path

import typer

from fallow_sieve.safekeeping import Restored, remove
from fallow_sieve.safekeeping import restore as put_back
from fallow_sieve.services.readable import readable_parts
from fallow_sieve.store import KitchenStore
from fallow_sieve.store.archives import is_archive, unpack, write_archive


def archive(to: Path, db: Path, photos: bool) -> None:
    """Write a kitchen into one ZIP, and say what is in it."""
    done = write_archive(db, to, _told, photos, _readable(db))
    rows = sum(done.rows.values())
    said = f"{to} holds {len(done.rows)} tables with {rows} rows and {done.photos} pictures; digest {done.digest[:16]}."
    typer.echo(said, err=True)


def _readable(db: Path) -> list[tuple[str, bytes]]:
    """The kitchen's blends, formulas and batches as files; none of one that is not there."""
    if not db.is_file():
        return []
    with KitchenStore.to_read(db) as store:
        return list(readable_parts(store))


def restored(backup: Path, db: Path) -> Restored:
    """Put a copy or an archive back in the kitchen's place, the one of before kept beside it. Raises BadInputError."""
    now = datetime.now()
    if not is_archive(backup):
        return put_back(backup, db, now)
    unpacked = db.resolve().with_name(f"{db.name}.unpacked")
    remove(unpacked)
    try:
        unpack(backup, unpacked, _told)
        return put_back(unpacked, db, now)
    finally:
        remove(unpacked)


def _told(done: int, of: int, name: str) -> None:
    if sys.stderr.isatty():
        typer.echo(f"\r{done} of {of} tables {name:<24}", err=True, nl=done == of)
