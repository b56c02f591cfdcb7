"""A look into a kitchen that is at work: an invented one beside one's own, as long as the server runs.

A cookie says which of the two a browser is in. A page that was loaded in one never saves into the other: it says in a
header where it belongs, and is refused where that is not so.
"""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from threading import Lock
from typing import cast

from flask import Flask, Response, current_app, request

from fallow_sieve.api.problems import problem
from fallow_sieve.core.values import BadInputError
from fallow_sieve.store import KitchenStore

COOKIE = "fallow-sieve-look"
HEADER = "X-Kitchen"
DEMO, OWN = "demo", "own"


class DemoKitchen:
    """The demo kitchen of one server: made when somebody first looks, gone when the server ends."""

    def __init__(self, clock: Callable[[], datetime]) -> None:
        self._clock, self._lock = clock, Lock()
        self._folder: TemporaryDirectory[str] | None = None
        self._store: KitchenStore | None = None

    def store(self) -> KitchenStore:
        """Return its store, which is filled the first time."""
        with self._lock:
            if self._store is None:
                from fallow_sieve.demo import fill  # takes a second or two, and most servers never need it

                self._folder = TemporaryDirectory(prefix="fallow-sieve-look-")
                made = KitchenStore(Path(self._folder.name) / "demo.db")
                fill(made, self._clock())
                self._store = made
            return self._store

    def close(self) -> None:
        """Let go of it; may be called again."""
        with self._lock:
            if self._store is not None and self._folder is not None:
                self._store.close()
                self._folder.cleanup()
            self._store = self._folder = None


def is_looking() -> bool:
    """Return whether this request looks into the demo kitchen."""
    return request.cookies.get(COOKIE) == DEMO


def demo_store() -> KitchenStore:
    """Return the store of the demo kitchen of this server."""
    return cast(DemoKitchen, current_app.extensions["demo"]).store()


def refuse_looking(what: str) -> None:
    """Raise BadInputError where a request looks: `what` leads out of the page and would reach one's own kitchen."""
    if is_looking():
        raise BadInputError(f"{what} of the demo kitchen", right="come back to your own kitchen first")


def register_looking(app: Flask) -> None:
    """Let `app` refuse what a page of the other kitchen sends."""

    @app.before_request
    def same_kitchen() -> Response | None:
        meant = request.headers.get(HEADER)
        if meant is None or meant == (DEMO if is_looking() else OWN):
            return None
        detail = "this page shows the other kitchen: load it again, what you typed here stays in this browser"
        return problem(409, "Another kitchen", detail)


def shown_in(response: Response, *, demo: bool) -> Response:
    """Return `response` with the cookie by which this browser looks into the demo kitchen, or comes back."""
    if demo:
        demo_store()
        response.set_cookie(COOKIE, DEMO, samesite="Strict")
    else:
        response.delete_cookie(COOKIE, samesite="Strict")
    return response
