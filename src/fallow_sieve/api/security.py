"""Headers that keep the pages to themselves: no foreign script, no framing, no sniffing, same origin only."""

from __future__ import annotations

from urllib.parse import urlsplit

from flask import Flask, Response, request

from fallow_sieve.api.problems import problem

MAX_REQUEST_BYTES = 32 * 1024 * 1024  # a table of ten thousand ingredients with every column
_HEADERS = {
    # Inline styles are needed for positions computed while dragging; inline scripts are not allowed.
    "Content-Security-Policy": (
        "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
        "font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; "
        "frame-ancestors 'none'"
    ),
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
    "Referrer-Policy": "no-referrer",
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
    "Permissions-Policy": "camera=(), geolocation=(), microphone=()",
}
_CHANGING = {"POST", "PUT", "PATCH", "DELETE"}


def register_security(app: Flask) -> None:
    """Set the headers on every response of `app`, limit request bodies, and refuse foreign origins."""
    app.config["MAX_CONTENT_LENGTH"] = MAX_REQUEST_BYTES

    @app.before_request
    def same_origin() -> Response | None:
        origin = request.headers.get("Origin")
        if request.method in _CHANGING and origin and urlsplit(origin).netloc != request.host:
            return problem(403, "Another origin", "changes are taken from this application's own pages only")
        return None

    @app.after_request
    def headers(response: Response) -> Response:
        for name, value in _HEADERS.items():
            response.headers.setdefault(name, value)
        if request.path.startswith("/api/"):
            response.headers.setdefault("Cache-Control", "no-store")
        return response
