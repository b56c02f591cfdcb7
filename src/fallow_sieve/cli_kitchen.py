"""What every command needs: reading a file, the kitchen or the bundled tables, and the options they share."""

from __future__ import annotations

import sys
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from typing import Annotated

import typer

from fallow_sieve.core.blends.fit import Use, rule_of_use
from fallow_sieve.core.blends.judgement import Setting
from fallow_sieve.core.formulas.judgement import Kitchen
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.errors import BadInputError, shown
from fallow_sieve.core.values.quantities import CupStandard, SpoonStandard
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules

DbOption = Annotated[Path | None, typer.Option("--db", help="A kitchen's database; without it, the bundled tables.")]
JsonOption = Annotated[bool, typer.Option("--json", help="Print one JSON document.")]
CupOption = Annotated[
    str | None, typer.Option("--cup", help="Whose cup: us, metric or imperial; else the kitchen's, or us.")
]


def read_file(path: str, what: str = "a blend file") -> bytes:
    """Return the bytes of the file `path`, or of standard input for -. Raises BadInputError."""
    try:
        return sys.stdin.buffer.read() if path == "-" else Path(path).read_bytes()
    except (OSError, ValueError) as error:
        raise BadInputError(
            f"cannot read {shown(path)}: {getattr(error, 'strerror', None) or error}", right=f"name {what}"
        ) from error


def kitchen_at(db: Path | None, cup: str | None) -> tuple[Shelf, Setting]:
    """Return the shelf and setting of the database, or the bundled tables; a cup that is named wins."""
    if db is None:
        return library_shelf(), Setting(cup=cup_named(cup or CupStandard.US))
    if not db.is_file():
        raise BadInputError(f"there is no database {str(db)!r}", right="make one with fallow-sieve init --db PATH")
    from fallow_sieve.store.kitchen_store import KitchenStore

    kitchen = KitchenStore(db)
    standing = kitchen.standing()
    shelf = kitchen.shelf_now(standing, datetime.now(UTC).date())
    kitchen.close()
    return shelf, Setting(cup_named(cup or standing.cup), standing.store_temp_c, standing.currency)


def use_named(asked: str | None, in_file: str | None) -> Use | None:
    """Return the use that is asked for, or else the file's, or None. Raises UnknownNameError."""
    if asked is not None:
        return rule_of_use(rules().uses, asked, "--use")
    return rule_of_use(rules().uses, in_file) if in_file is not None else None


def cup_named(name: str) -> CupStandard:
    """Return the cup standard of that name. Raises BadInputError."""
    if name not in set(CupStandard):
        raise BadInputError(f"the cup {shown(name)}", place="--cup", right=f"one of {', '.join(CupStandard)}")
    return CupStandard(name)


@dataclass(frozen=True, slots=True)
class FormulaKitchen:
    """Where formulas are worked out: the shelf, the core's kitchen, whose tablespoon, and the unit of temperatures."""

    shelf: Shelf
    kitchen: Kitchen
    spoon: SpoonStandard
    temp_unit: str


def formula_kitchen_at(db: Path | None, cup: str | None) -> FormulaKitchen:
    """Return where formulas are worked out: the database with what its bakes taught, or the bundled tables."""
    shelf, setting = kitchen_at(db, cup)
    if db is None:
        return FormulaKitchen(shelf, Kitchen(setting.cup), SpoonStandard(str(setting.cup)), "c")
    from fallow_sieve.store.bakes import bakes_of_kitchen
    from fallow_sieve.store.kitchen_store import KitchenStore
    from fallow_sieve.store.kitchens import kitchen_of

    store = KitchenStore(db)
    with store.reading() as session:
        row, bakes = kitchen_of(session), bakes_of_kitchen(session)
        found = Kitchen(setting.cup, row.binder_school, bakes)
        spoon, temp_unit = SpoonStandard(row.tablespoon), row.temp_unit
    store.close()
    return FormulaKitchen(shelf, found, spoon, temp_unit)
