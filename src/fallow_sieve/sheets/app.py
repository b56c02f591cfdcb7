"""The second application: it knows no route but `/s/<token>/`, and a token opens one sheet for a day."""

from __future__ import annotations

from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path
from typing import cast

from flask import Flask, Response, current_app, request
from werkzeug.exceptions import HTTPException, NotFound

from fallow_sieve.core.values import FallowSieveError
from fallow_sieve.sheets.pages import sheet_pages
from fallow_sieve.sheets.seats import SeatSheets
from fallow_sieve.sheets.several import Several
from fallow_sieve.sheets.weighing import WeighSheets
from fallow_sieve.store import BusyError, KitchenStore, NotFoundError
from fallow_sieve.store.trials import sheet_opened

MOST_BYTES = 64 * 1024
_HEADERS = {
    "Content-Security-Policy": (
        "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; connect-src 'self'; "
        "img-src 'self' data:; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
    ),
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "same-origin",  # a form without script says by it that it is ours
    "Cache-Control": "no-store",
}


def create_sheets(kitchen: KitchenStore, clock: Callable[[], datetime], web_dist: Path) -> Flask:
    """Return the application that serves sheets of `kitchen` to whoever has a token."""
    app = Flask(__name__, static_folder=None)
    app.extensions |= {"kitchen": kitchen, "clock": clock, "web_dist": web_dist}
    app.config["MAX_CONTENT_LENGTH"] = MOST_BYTES
    app.register_blueprint(sheet_pages("sheets", _opened, Several(SeatSheets(), WeighSheets())), url_prefix="/s")
    app.register_error_handler(FallowSieveError, problem_of)
    app.after_request(_headed)
    app.before_request(_same_origin)
    return app


def _opened(token: str) -> int:
    now = cast(datetime, current_app.extensions["clock"]()).astimezone(UTC).strftime("%Y-%m-%dT%H:%M:%SZ")
    with cast(KitchenStore, current_app.extensions["kitchen"]).reading() as session:
        try:
            return sheet_opened(session, token, now)
        except NotFoundError as error:
            raise NotFound("This sheet is not open any more: ask for a new one.") from error


def problem_of(error: FallowSieveError) -> tuple[dict[str, str], int]:
    """Return an error as a sheet's script reads it: what is wrong, and 503 where it is worth trying again."""
    status = 503 if isinstance(error, BusyError) else 404 if isinstance(error, NotFoundError) else 422
    return {"detail": str(error)}, status


def _same_origin() -> None:
    origin = request.headers.get("Origin")
    if request.method in {"POST", "PUT"} and origin and origin.split("//")[-1] != request.host:
        raise HTTPException(response=Response("changes are taken from the sheet itself only", 403))


def _headed(response: Response) -> Response:
    for name, value in _HEADERS.items():
        response.headers[name] = value
    return response
