"""The application factory."""

from __future__ import annotations

from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path
from time import monotonic
from typing import Any

from flask import Flask, Response

from fallow_sieve.api import (
    bakes,
    blends,
    briefs,
    devices,
    findings,
    flours,
    formula_files,
    formula_work,
    formulas,
    ingredients,
    judging,
    kitchen,
    lots,
    pages,
    proposals,
    recipes,
    reference,
    shelf,
    shelf_files,
    transfer,
)
from fallow_sieve.api.problems import register_problems
from fallow_sieve.api.security import register_security
from fallow_sieve.devices.scale import Scale, SimulatedScale
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.kitchen_store import KitchenStore

API = "/api/v1"
OWN_NAMES = ["localhost", "127.0.0.1", "[::1]"]
MOST_ID = 2**53  # what JSON numbers hold exactly, and well inside what SQLite does


_MODULES = (
    reference,
    shelf,
    shelf_files,
    ingredients,
    lots,
    findings,
    flours,
    devices,
    kitchen,
    briefs,
    blends,
    judging,
    proposals,
    transfer,
    formulas,
    formula_work,
    formula_files,
    bakes,
    recipes,
)


def _clock() -> datetime:
    return datetime.now(UTC)


def create_app(
    database: Path | str,
    *,
    clock: Callable[[], datetime] = _clock,
    web_dist: Path | None = None,
    only_this_machine: bool = True,
    scale: Scale | None = None,
) -> Flask:
    """Return the application on the kitchen in `database`, which is made or brought up to date on the way.

    `only_this_machine` answers to no other host name than this machine's own, so that a page from elsewhere
    cannot reach the kitchen by a name of its own that leads here. `scale` is the one on the bench; without one it
    is simulated.
    """
    app = Flask(__name__, static_folder=None)
    app.config["TRUSTED_HOSTS"] = OWN_NAMES if only_this_machine else None
    app.extensions["kitchen"] = KitchenStore(Path(database))
    app.extensions["clock"] = clock
    app.extensions["scale"] = scale or SimulatedScale(monotonic)
    app.extensions["web_dist"] = web_dist or pages.BUILT
    register_problems(app)
    register_security(app)
    for module in _MODULES:
        app.register_blueprint(module.routes, url_prefix=API)
    app.register_blueprint(pages.routes)

    @app.url_value_preprocessor
    def ids_in_reach(_endpoint: str | None, values: dict[str, Any] | None) -> None:
        for name, value in (values or {}).items():
            if isinstance(value, int) and value > MOST_ID:
                raise NotFoundError(name.removesuffix("_id"), value)

    @app.get(f"{API}/ping")
    def ping() -> Response:
        return Response(status=204)

    return app
