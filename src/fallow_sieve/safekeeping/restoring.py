"""A backup put back: checked first, the kitchen of before kept beside it, and the change made at once.

The order matters, for this may be killed at any moment. What stood there is made whole and kept under another name
before anything is put in its place; a companion of the old file never lies beside the new one.
"""

from __future__ import annotations

import os
import shutil
import sqlite3
from contextlib import closing, suppress
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path

from fallow_sieve.core.values import BadInputError
from fallow_sieve.safekeeping.backing_up import copy_whole
from fallow_sieve.safekeeping.checking import complaint_of
from fallow_sieve.safekeeping.files import COMPANIONS, beside, flush, opened, plain_errors, remove

_RUNNING = "stop the server that serves it (Ctrl+C), then restore again"


@dataclass(frozen=True, slots=True)
class Restored:
    """A kitchen put back, and under which name the one of before is kept (None: there was none)."""

    kitchen: Path
    kept: Path | None


def restore(backup: Path, kitchen: Path, now: datetime) -> Restored:
    """Put the copy `backup` in the place of `kitchen`; `now` names the file in which the one of before is kept.

    Raises BadInputError where `backup` is no whole kitchen, `kitchen` is being served, or the disk does not allow it;
    then `kitchen` is as it was.
    """
    kitchen = kitchen.resolve()
    _check_names(backup, kitchen)
    fresh = kitchen.with_name(f"{kitchen.name}.restoring")
    try:
        with plain_errors(f"restoring {str(backup)!r}"):
            remove(fresh)
            _take_in(backup, fresh)
            if kitchen.exists():
                shutil.copymode(kitchen, fresh)
            kept = _set_aside(kitchen, now)
            os.replace(fresh, kitchen)
            flush(kitchen.absolute().parent)
    finally:
        remove(fresh)
    return Restored(kitchen, kept)


def _check_names(backup: Path, kitchen: Path) -> None:
    if not backup.is_file():
        raise BadInputError(f"there is no file {str(backup)!r}", right="name a copy made by fallow-sieve backup")
    if kitchen.exists() and not kitchen.is_file():
        raise BadInputError(f"{str(kitchen)!r} is a folder", right="give --db the path of a kitchen")
    if kitchen.exists() and backup.samefile(kitchen):
        raise BadInputError(f"{str(backup)!r} is the kitchen itself", right="name a copy of it")
    if not kitchen.absolute().parent.is_dir():
        raise BadInputError(f"there is no folder {str(kitchen.absolute().parent)!r}", right="make it first")


def _take_in(backup: Path, fresh: Path) -> None:
    """Copy the backup beside the kitchen, and refuse it there unless it is whole."""
    try:
        copy_whole(backup, fresh)
        complaint = complaint_of(fresh)
    except sqlite3.DatabaseError as error:
        if isinstance(error, sqlite3.OperationalError):
            raise
        complaint = str(error)
    if complaint:
        raise BadInputError(f"{str(backup)!r} cannot be put back: {complaint}", right="try an earlier backup")
    flush(fresh)


def _set_aside(kitchen: Path, now: datetime) -> Path | None:
    """Keep what stands at `kitchen` under another name, whole, and leave no companion of it; return that name."""
    there = [c for c in ("", *COMPANIONS) if beside(kitchen, c).exists()]
    if not there:
        return None
    kept = _free_name(kitchen, now)
    is_whole = "" in there and _made_one_file(kitchen)
    if "" in there:
        _link(kitchen, kept)
    for companion in COMPANIONS:
        left = beside(kitchen, companion)
        if left.exists():
            left.unlink() if is_whole or companion == "-shm" else left.replace(beside(kept, companion))
    flush(kept.absolute().parent)
    return kept


def _made_one_file(kitchen: Path) -> bool:
    """Bring what the log holds into the file; only one who has it alone can. False where it is too damaged for that."""
    try:
        with closing(opened(kitchen, wait_s=0)) as connection:
            (mode,) = connection.execute("PRAGMA journal_mode=DELETE").fetchone()
            if mode != "delete":
                raise BadInputError(f"{str(kitchen)!r} is in use", right=_RUNNING)
            connection.execute("BEGIN EXCLUSIVE")
            connection.execute("ROLLBACK")
    except sqlite3.OperationalError as error:
        if "locked" in str(error) or "busy" in str(error):
            raise BadInputError(f"{str(kitchen)!r} is in use", right=_RUNNING) from error
        raise
    except sqlite3.DatabaseError:
        return False
    flush(kitchen)
    return True


def _free_name(kitchen: Path, now: datetime) -> Path:
    stamp = now.strftime("%Y-%m-%d-%H%M%S")
    names = (
        f"{kitchen.stem}.before-{stamp}{more}{kitchen.suffix}" for more in ("", *(f"-{n}" for n in range(2, 1000)))
    )
    return next(p for p in (kitchen.with_name(n) for n in names) if not p.exists())


def _link(kitchen: Path, kept: Path) -> None:
    """Give the file a second name, so that its first is never without one; where a disk has no links, move it."""
    try:
        os.link(kitchen, kept)
    except OSError:
        with suppress(FileNotFoundError):
            kitchen.replace(kept)
