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
OWN_NAMES = frozenset({"localhost", "127.0.0.1", "::1"})
_CHANGING = {"POST", "PUT", "PATCH", "DELETE"}


def _host_of(header: str) -> str:
    """The name in a Host header, without its port, in lower case; empty for what is no host."""
    try:
        return (urlsplit(f"//{header}").hostname or "").rstrip(".")
    except ValueError:
        return ""


def register_security(app: Flask, *, only_this_machine: bool = True) -> None:
    """Set the headers on every response of `app`, limit request bodies, and refuse foreign origins.

    `only_this_machine` answers to no other host name than this machine's own.
    """
    app.config["MAX_CONTENT_LENGTH"] = MAX_REQUEST_BYTES

    @app.before_request
    def own_name() -> Response | None:
        if only_this_machine and _host_of(request.headers.get("Host", "")) not in OWN_NAMES:
            return problem(400, "Another host", "this kitchen answers to this machine's own names only")
        return None

    @app.before_request
    def same_origin() -> Response | None:
        origin = request.headers.get("Origin")
        if request.method in _CHANGING and origin and urlsplit(origin).netloc.lower() != request.host.lower():
            return problem(403, "Another origin", "changes are taken from this application's own pages only")
        return None

    @app.after_request
    def headers(response: Response) -> Response:
        for name, value in _HEADERS.items():
            response.headers.setdefault(name, value)
        if request.path.startswith("/api/"):
            response.headers.setdefault("Cache-Control", "no-store")
        return response
