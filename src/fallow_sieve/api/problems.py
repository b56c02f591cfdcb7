"""Turns every error into problem+json (RFC 9457), in this one place."""

from __future__ import annotations

import sqlite3
from typing import Any

from flask import Flask, Response, json, request
from sqlalchemy.exc import DBAPIError
from werkzeug.exceptions import HTTPException

from fallow_sieve.core.values import BadInputError, FallowSieveError
from fallow_sieve.store import BusyError, InUseError, NotFoundError, OtherReadingError, ReplacedError, StaleSaveError

_STATUS: tuple[tuple[type[FallowSieveError], int, str], ...] = (
    (BusyError, 503, "The database is busy"),
    (ReplacedError, 503, "The kitchen's file was replaced"),
    (StaleSaveError, 412, "Saved by someone else in between"),
    (NotFoundError, 404, "Not found"),
    (InUseError, 409, "Still in use"),
    (OtherReadingError, 409, "Another reading has this id"),
    (BadInputError, 422, "This cannot be used"),
)


def problem(status: int, title: str, detail: str, **more: Any) -> Response:
    """Return a problem+json response; keys of `more` that are None or empty are left out."""
    body = {"type": "about:blank", "title": title, "status": status, "detail": detail}
    body.update({k: v for k, v in more.items() if v not in (None, "")})
    return Response(json.dumps(body), status, mimetype="application/problem+json")


def status_of(error: FallowSieveError) -> tuple[int, str]:
    """Return the HTTP status and title of one of our errors."""
    for kind, status, title in _STATUS:
        if isinstance(error, kind):
            return status, title
    return 400, "This cannot be done"


def detail_of(error: Exception) -> dict[str, Any]:
    """Return an error as the fields of a problem, where an answer has begun already. Raises what is a fault of ours."""
    made = _ours(error) if isinstance(error, FallowSieveError) else None
    if isinstance(error, DBAPIError):
        made = _database(error)
    if made is None:
        raise error
    return dict(json.loads(made.get_data()))


def register_problems(app: Flask) -> None:
    """Make `app` answer every error under /api with problem+json."""
    app.register_error_handler(FallowSieveError, _ours)
    app.register_error_handler(HTTPException, _http)
    app.register_error_handler(DBAPIError, _database)


def _ours(error: FallowSieveError) -> Response:
    status, title = status_of(error)
    if isinstance(error, StaleSaveError):
        return problem(status, title, str(error), current=error.current, submitted=error.submitted)
    if isinstance(error, BadInputError):
        return problem(status, title, str(error), place=error.place, right=error.right)
    return problem(status, title, str(error))


def _http(error: HTTPException) -> Response | HTTPException:
    if not request.path.startswith("/api/"):
        return error
    if error.response is not None:  # pragma: no cover - nothing here aborts with a response
        return Response(error.response.get_data(), error.response.status_code)  # type: ignore[attr-defined]
    made = error.get_response()
    answer = problem(error.code or 500, error.name, error.description or "")
    for name in ("Allow", "Retry-After"):
        if name in made.headers:
            answer.headers[name] = made.headers[name]
    return answer


def _database(error: DBAPIError) -> Response:
    """A full disk and a busy database are answers, not crashes; anything else is a fault of ours."""
    original = error.orig
    text = str(original)
    if isinstance(original, sqlite3.OperationalError) and "full" in text:
        return problem(507, "The disk is full", "nothing was saved, nothing was lost; make room and save again")
    if isinstance(original, sqlite3.OperationalError) and ("locked" in text or "busy" in text):
        answer = problem(503, "The database is busy", "nothing was saved, nothing was lost; try again in a moment")
        answer.headers["Retry-After"] = "1"
        return answer
    if isinstance(original, sqlite3.OperationalError) and "readonly" in text:
        return problem(507, "The database cannot be written", "nothing was saved; check the file's permissions")
    raise error
