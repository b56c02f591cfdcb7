"""The shelf in and out: CSV, spreadsheet, data package. An import says what it would change before it does."""

from __future__ import annotations

from collections.abc import Iterator

from flask import Blueprint, Response, request
from sqlmodel import Session

from fallow_sieve.api.http import answer, file_answer, if_match, store, streamed, today
from fallow_sieve.api.ingredients.file_models import ImportLine, ImportQueryIn, PreviewOut, ShelfExportQuery
from fallow_sieve.api.spec import route
from fallow_sieve.core.values import BadInputError, shown, without_controls
from fallow_sieve.formats.ingredients import (
    ZIP_TYPE,
    header,
    lot_rows,
    lots_table,
    number_rows,
    shelf_rows,
    write_package,
)
from fallow_sieve.formats.shared import CSV_TYPE, XLSX_TYPE, write_csv, write_xlsx
from fallow_sieve.services.ingredients.shelf_files import ShelfFile, WholePlan, check_still_so, planned, prepare, write
from fallow_sieve.store import settings_of
from fallow_sieve.store.ingredients import lot_lines, number_lines, shelf_lines

routes = Blueprint("shelf_files", __name__)
SHOWN = 200  # rows of each status in a preview


@routes.get("/shelf/export")
@route(None, query=ShelfExportQuery)
def export() -> Response:
    """Return the shelf or the lots as CSV or a spreadsheet, or both as a data package."""
    what, kind = request.args.get("what", "shelf"), request.args.get("format", "csv")
    with store().reading() as session:
        if kind == "package":
            return file_answer(_package(session), ZIP_TYPE, "shelf.zip")
        if what == "lots":
            head, rows = list(lots_table.COLUMNS), lot_rows(lot_lines(session))
        elif what == "shelf":
            head, rows = header(), shelf_rows(shelf_lines(session, request.args.get("own") == "1"))
        else:
            raise BadInputError(f"no table of {shown(what)}", place="?what", right="shelf or lots")
        if kind == "csv":
            return file_answer(write_csv(head, rows), CSV_TYPE, f"{what}.csv")
        if kind == "xlsx":
            return file_answer(write_xlsx(head, rows, what), XLSX_TYPE, f"{what}.xlsx")
    raise BadInputError(f"the format {shown(kind)}", place="?format", right="csv, xlsx or package")


def _package(session: Session) -> bytes:
    tables = shelf_rows(shelf_lines(session)), number_rows(number_lines(session)), lot_rows(lot_lines(session))
    return write_package(settings_of(session).name, *tables)


def _sent() -> ShelfFile:
    return ShelfFile(request.get_data(), request.mimetype, request.args.get("what", "shelf"))


@routes.post("/shelf/import/preview")
@route(PreviewOut, query=ImportQueryIn)
def preview() -> Response:
    """Return what a file (the body, as it is) would change, row by row. Nothing is written."""
    with store().reading() as session:
        plan = planned(session, _sent(), today())
        version = settings_of(session).shelf_version
    counts = dict.fromkeys(("new", "changed", "same", "refused"), 0)
    kept = []
    for row in plan.rows:
        counts[row.status] += 1
        if counts[row.status] <= SHOWN and row.status != "same":
            kept.append(row)
    return answer(PreviewOut(counts=counts, rows=kept, version=version), version=version)


@routes.post("/shelf/import")
@route(ImportLine, query=ImportQueryIn, stale=True, lines=True)
def bring_in() -> Response:
    """Bring a file in, all of it or nothing, saying how far it is, one JSON object a line.

    If-Match names the state of the shelf that the preview was made for.
    """
    sent, version, name = _sent(), if_match(), without_controls(request.args.get("name", "a file"))[:120]
    with store().reading() as session:  # all that takes long is done before anybody has to wait for it
        plan = planned(session, sent, today())
        check_still_so(session, plan, version)
    return streamed(_lines(plan, name, version))


def _lines(plan: WholePlan, name: str, version: int) -> Iterator[ImportLine]:
    """One transaction, on the shelf that was planned for: all of it is kept or nothing.

    Nothing is sent while it is open: a reader who is slow, or leaves, must not keep others from saving.
    """
    total = len(plan.rows)
    for done in prepare(plan, name, today()):
        yield ImportLine(done=min(done, total), of=total)
    with store().writing(shelf_on=today()) as session:
        check_still_so(session, plan, version)
        write(session, plan)
    yield ImportLine(done=total, of=total, finished=True)
