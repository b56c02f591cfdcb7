"""The built pages: one HTML file and its assets, all from this machine."""

from __future__ import annotations

import gzip
from functools import lru_cache
from pathlib import Path

from flask import Blueprint, Response, current_app, request, send_from_directory

BUILT = Path(__file__).parent.parent / "web_dist"
routes = Blueprint("pages", __name__)
_YEAR_S = 31_536_000
_OK = 200
_TEXTS = (".js", ".css", ".svg", ".json")


@routes.get("/")
def index() -> Response:
    """Return the page, or say how to build it."""
    folder: Path = current_app.extensions["web_dist"]
    if not (folder / "index.html").is_file():
        return Response("The pages are not built yet: run `make setup`.\n", 503, mimetype="text/plain")
    response = send_from_directory(folder, "index.html")
    response.headers["Cache-Control"] = "no-cache"
    return response


@routes.get("/assets/<path:name>")
def asset(name: str) -> Response:
    """Return a built asset; its name carries a hash of its contents, so it may be kept for a year."""
    folder: Path = current_app.extensions["web_dist"]
    response = send_from_directory(folder / "assets", name, max_age=_YEAR_S)
    if response.status_code == _OK and name.endswith(_TEXTS):
        response.vary.add("Accept-Encoding")
        if request.accept_encodings["gzip"] > 0 and "Range" not in request.headers:
            response.direct_passthrough = False
            response.set_data(_packed(response.get_data()))
            response.headers["Content-Encoding"] = "gzip"
    return response


@lru_cache(maxsize=256)
def _packed(data: bytes) -> bytes:
    """The same for every reader: packed once, a third of the size."""
    return gzip.compress(data, 9, mtime=0)


@routes.get("/favicon.svg")
def icon() -> Response:
    """Return the application's mark."""
    folder: Path = current_app.extensions["web_dist"]
    return send_from_directory(folder, "favicon.svg")
