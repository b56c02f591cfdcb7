"""The shelf in and out: CSV, spreadsheet, data package. An import says what it would change before it does."""

from __future__ import annotations

import json
from collections.abc import Iterator
from dataclasses import dataclass, field
from typing import Any

from flask import Blueprint, Response, request, stream_with_context
from sqlmodel import Session

from fallow_sieve.api.http import answer, if_match, store, today
from fallow_sieve.api.problems import detail_of
from fallow_sieve.api.shelf_models import ImportQueryIn, PreviewOut, RowChangeOut, ShelfExportQuery
from fallow_sieve.api.spec import route
from fallow_sieve.core.values.errors import BadInputError, shown
from fallow_sieve.formats import lots_table
from fallow_sieve.formats.data_package import ZIP_TYPE, read_package, write_package
from fallow_sieve.formats.lots_table import lot_rows, read_lots
from fallow_sieve.formats.numbers_table import NumberLine, number_rows, read_numbers
from fallow_sieve.formats.shelf_table import header, read_shelf, shelf_rows
from fallow_sieve.formats.tables import CSV_TYPE, XLSX_TYPE, read_table, write_csv, write_xlsx
from fallow_sieve.store.errors import StaleSaveError
from fallow_sieve.store.kitchens import kitchen_of
from fallow_sieve.store.lot_files import (
    LotPlan,
    apply_lots,
    apply_numbers,
    lot_lines,
    number_lines,
    plan_lots,
    plan_numbers,
)
from fallow_sieve.store.shelf_files import Plan, RowChange, apply_import, plan_import, shelf_lines

routes = Blueprint("shelf_files", __name__)
SHOWN = 200  # rows of each status in a preview


@routes.get("/shelf/export")
@route(None, query=ShelfExportQuery)
def export() -> Response:
    """Return the shelf or the lots as CSV or a spreadsheet, or both as a data package."""
    what, kind = request.args.get("what", "shelf"), request.args.get("format", "csv")
    with store().reading() as session:
        if kind == "package":
            name = kitchen_of(session).name
            data = write_package(
                name, shelf_rows(shelf_lines(session)), number_rows(number_lines(session)), lot_rows(lot_lines(session))
            )
            return _file(data, ZIP_TYPE, "shelf.zip")
        if what == "lots":
            head, rows = list(lots_table.COLUMNS), lot_rows(lot_lines(session))
        elif what == "shelf":
            head, rows = header(), shelf_rows(shelf_lines(session, request.args.get("own") == "1"))
        else:
            raise BadInputError(f"no table of {shown(what)}", place="?what", right="shelf or lots")
        if kind == "csv":
            return _file(write_csv(head, rows).encode(), CSV_TYPE, f"{what}.csv")
        if kind == "xlsx":
            return _file(write_xlsx(head, rows, what), XLSX_TYPE, f"{what}.xlsx")
    raise BadInputError(f"the format {shown(kind)}", place="?format", right="csv, xlsx or package")


def _file(data: bytes, mimetype: str, name: str) -> Response:
    response = Response(data, mimetype=mimetype)
    response.headers["Content-Disposition"] = f'attachment; filename="{name}"'
    return response


@dataclass(slots=True)
class _Whole:
    """All that a file would do."""

    rows: list[RowChange]
    shelf: Plan | None = None
    lots: LotPlan | None = None
    numbers: list[NumberLine] = field(default_factory=list)

    @property
    def refused(self) -> int:
        return sum(r.status == "refused" for r in self.rows)


def _plan(session: Session, data: bytes, mimetype: str, what: str) -> _Whole:
    if mimetype == ZIP_TYPE:
        return _plan_package(session, data)
    if mimetype not in (CSV_TYPE, XLSX_TYPE):
        right = "CSV (text/csv), a spreadsheet (.xlsx) or a data package (.zip)"
        raise BadInputError(f"a file of type {shown(mimetype)}", right=right)
    table = read_table(data, mimetype)
    if what == "lots" or "code" in table.header:
        lots = plan_lots(session, *read_lots(table, today()))
        return _Whole(lots.rows, lots=lots)
    shelf = plan_import(session, read_shelf(table))
    return _Whole(shelf.rows, shelf=shelf)


def _plan_package(session: Session, data: bytes) -> _Whole:
    packed = read_package(data)
    shelf = plan_import(session, read_shelf(packed.ingredients))
    slugs = {r.slug for r in shelf.rows if r.status == "new"}
    lots = plan_lots(session, *read_lots(packed.lots, today()), frozenset(slugs))
    bins = {(x.ingredient, x.lot.code) for x in lots.lines}
    numbers, refusals = read_numbers(packed.numbers)
    changes = plan_numbers(session, numbers, refusals, slugs, bins)
    return _Whole([*shelf.rows, *lots.rows, *changes], shelf, lots, numbers)


@routes.post("/shelf/import/preview")
@route(PreviewOut, query=ImportQueryIn)
def preview() -> Response:
    """Return what a file (the body, as it is) would change, row by row. Nothing is written."""
    with store().reading() as session:
        plan = _plan(session, request.get_data(), request.mimetype, request.args.get("what", "shelf"))
        version = kitchen_of(session).shelf_version
    counts = dict.fromkeys(("new", "changed", "same", "refused"), 0)
    kept = []
    for row in plan.rows:
        counts[row.status] += 1
        if counts[row.status] <= SHOWN and row.status != "same":
            kept.append(row)
    rows = [RowChangeOut(**{n: getattr(r, n) for n in RowChangeOut.model_fields}) for r in kept]
    return answer(PreviewOut(counts=counts, rows=rows, version=version), version=version)


@routes.post("/shelf/import")
@route(None, query=ImportQueryIn, stale=True)
def bring_in() -> Response:
    """Bring a file in, all of it or nothing, saying how far it is, one JSON object a line.

    If-Match names the state of the shelf that the preview was made for.
    """
    data, mimetype, version = request.get_data(), request.mimetype, if_match()
    what, name = request.args.get("what", "shelf"), request.args.get("name", "a file")[:120]
    with store().reading() as session:  # what is wrong with it is said before anything streams
        _check(session, _plan(session, data, mimetype, what), version)
    steps = stream_with_context(_lines(data, mimetype, what, name, version))
    return Response(steps, mimetype="application/x-ndjson")


def _check(session: Session, plan: _Whole, version: int) -> None:
    now = kitchen_of(session).shelf_version
    if now != version:
        raise StaleSaveError({"shelf_version": now}, {"shelf_version": version})
    if plan.refused:
        raise BadInputError(f"{plan.refused} rows cannot be used", right="mend them, and look at the preview again")


def _lines(data: bytes, mimetype: str, what: str, name: str, version: int) -> Iterator[str]:
    """One transaction: where it fails, or nobody listens any more, nothing of it is kept."""
    try:
        with store().writing() as session:
            plan = _plan(session, data, mimetype, what)
            _check(session, plan, version)
            total = len(plan.rows)
            for done in _apply(session, plan, name):
                yield _line(done=min(done, total), of=total)
    except Exception as error:
        yield _line(problem=detail_of(error))
        return
    yield _line(done=total, of=total, finished=True)


def _apply(session: Session, plan: _Whole, name: str) -> Iterator[int]:
    done = 0
    if plan.shelf is not None:
        for done in apply_import(session, plan.shelf, f"brought in from {name}", today().isoformat()):
            yield done
    if plan.lots is not None:
        for more in apply_lots(session, plan.lots):
            yield done + more
    if plan.numbers:
        apply_numbers(session, plan.numbers)


def _line(**values: Any) -> str:
    return json.dumps(values) + "\n"
