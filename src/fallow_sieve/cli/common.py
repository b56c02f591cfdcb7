"""What every command needs: reading a file, and the kitchen or the bundled tables."""

from __future__ import annotations

import sys
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path

import typer
from pydantic import BaseModel

from fallow_sieve.core.blends import Use
from fallow_sieve.core.values import BadInputError, CupStandard, shown
from fallow_sieve.services.kitchen import KitchenNow, bundled_kitchen, kitchen_now, use_named

HELD = 1  # the exit code of a "no"


def read_file(path: str, what: str = "a blend file") -> bytes:
    """Return the bytes of the file `path`, or of standard input for -. Raises BadInputError."""
    try:
        return sys.stdin.buffer.read() if path == "-" else Path(path).read_bytes()
    except (OSError, ValueError) as error:
        raise BadInputError(
            f"cannot read {shown(path)}: {getattr(error, 'strerror', None) or error}", right=f"name {what}"
        ) from error


def kitchen_at(db: Path | None, cup: str | None) -> KitchenNow:
    """Return the kitchen of the database, or of the bundled tables; a cup that is named wins. Raises BadInputError."""
    if db is None:
        return bundled_kitchen(cup_named(cup or CupStandard.US))
    if not db.is_file():
        raise BadInputError(f"there is no database {str(db)!r}", right="make one with fallow-sieve init --db PATH")
    from fallow_sieve.store import KitchenStore

    with KitchenStore.to_read(db) as store:
        found = kitchen_now(store, datetime.now(UTC).date())
    return replace(found, cup=cup_named(cup)) if cup else found


def use_asked(asked: str | None, in_file: str | None) -> Use | None:
    """Return the use that is asked for, or else the file's, or None. Raises UnknownNameError."""
    return use_named(asked, "--use") if asked is not None else use_named(in_file)


def cup_named(name: str) -> CupStandard:
    """Return the cup standard of that name. Raises BadInputError."""
    if name not in set(CupStandard):
        raise BadInputError(f"the cup {shown(name)}", place="--cup", right=f"one of {', '.join(CupStandard)}")
    return CupStandard(name)


def say(document: BaseModel, words: str, *, json: bool) -> None:
    """Print a document as JSON, or the same in words."""
    typer.echo(document.model_dump_json(indent=1) if json else words)


def end_held(held: bool) -> None:
    """End with the exit code of a "no" where something is held."""
    if held:
        raise typer.Exit(HELD)
