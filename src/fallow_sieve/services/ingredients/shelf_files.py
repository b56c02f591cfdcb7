"""A file of the shelf brought in: what it would change row by row, then all of it or nothing."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.ingredients import ZIP_TYPE, NumberLine, read_lots, read_numbers, read_package, read_shelf
from fallow_sieve.formats.shared import CSV_TYPE, XLSX_TYPE, read_table
from fallow_sieve.store import StaleSaveError, settings_of
from fallow_sieve.store.ingredients import (
    LotPlan,
    Plan,
    Prepared,
    RowChange,
    apply_import,
    apply_lots,
    apply_numbers,
    plan_import,
    plan_lots,
    plan_numbers,
    prepare_import,
)


@dataclass(frozen=True, slots=True)
class ShelfFile:
    """A file as it came: its bytes and type, and what it is a table of."""

    data: bytes
    mimetype: str
    what: str


@dataclass(slots=True)
class WholePlan:
    """All that a file would do."""

    rows: list[RowChange]
    shelf: Plan | None = None
    lots: LotPlan | None = None
    numbers: list[NumberLine] = field(default_factory=list)
    ready: Prepared | None = None

    @property
    def refused(self) -> int:
        """How many rows cannot be used."""
        return sum(r.status == "refused" for r in self.rows)


def planned(session: Session, file: ShelfFile, today: date) -> WholePlan:
    """Return what `file` would do to the kitchen, row by row. Nothing is written. Raises BadInputError."""
    if file.mimetype == ZIP_TYPE:
        return _package(session, file.data, today)
    if file.mimetype not in (CSV_TYPE, XLSX_TYPE):
        right = "CSV (text/csv), a spreadsheet (.xlsx) or a data package (.zip)"
        raise BadInputError(f"a file of type {shown(file.mimetype)}", right=right)
    table = read_table(file.data, file.mimetype)
    if file.what == "lots" or "code" in table.header:
        lots = plan_lots(session, *read_lots(table, today))
        return WholePlan(lots.rows, lots=lots)
    shelf = plan_import(session, read_shelf(table))
    return WholePlan(shelf.rows, shelf=shelf)


def _package(session: Session, data: bytes, today: date) -> WholePlan:
    packed = read_package(data)
    shelf = plan_import(session, read_shelf(packed.ingredients))
    slugs = {r.slug for r in shelf.rows if r.status == "new"}
    lots = plan_lots(session, *read_lots(packed.lots, today), frozenset(slugs))
    bins = {(x.ingredient, x.lot.code) for x in lots.lines}
    numbers, refusals = read_numbers(packed.numbers)
    changes = plan_numbers(session, numbers, refusals, slugs, bins)
    return WholePlan([*shelf.rows, *lots.rows, *changes], shelf, lots, numbers)


def check_still_so(session: Session, plan: WholePlan, version: int) -> None:
    """Raise StaleSaveError unless the shelf is as it was at `version`, BadInputError where rows cannot be used."""
    now = settings_of(session).shelf_version
    if now != version:
        raise StaleSaveError({"shelf_version": now}, {"shelf_version": version})
    if plan.refused:
        raise BadInputError(f"{plan.refused} rows cannot be used", right="mend them, and look at the preview again")


def prepare(plan: WholePlan, name: str, today: date) -> Iterator[int]:
    """Make ready what `plan` says, from a file called `name`, giving how many rows are done as it goes on."""
    if plan.shelf is None:
        return
    for ready in prepare_import(plan.shelf, f"brought in from {name}", today.isoformat()):
        plan.ready = ready
        yield sum(len(some.ingredients) for some in ready.new)


def write(session: Session, plan: WholePlan) -> None:
    """Write what was prepared: shelf, lots and numbers."""
    if plan.ready is not None:
        apply_import(session, plan.ready)
    if plan.lots is not None:
        apply_lots(session, plan.lots)
    if plan.numbers:
        apply_numbers(session, plan.numbers)
