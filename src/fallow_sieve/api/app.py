"""The application factory."""

from __future__ import annotations

from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path
from secrets import token_urlsafe
from time import monotonic
from typing import Any

from flask import Flask, Response

from fallow_sieve.api import pages
from fallow_sieve.api.bags import routes as opened_bags
from fallow_sieve.api.batches import bags as batch_bags
from fallow_sieve.api.batches import labels as batch_labels
from fallow_sieve.api.batches import routes as batches
from fallow_sieve.api.batches import sheets as weigh_sheets
from fallow_sieve.api.batches import weighings
from fallow_sieve.api.beginning import routes as beginning
from fallow_sieve.api.blends import files as blend_files
from fallow_sieve.api.blends import judging
from fallow_sieve.api.blends import routes as blends
from fallow_sieve.api.briefs import routes as briefs
from fallow_sieve.api.devices import routes as devices
from fallow_sieve.api.experiments import routes as experiments
from fallow_sieve.api.experiments import runs as experiment_runs
from fallow_sieve.api.formulas import bags, pours, work
from fallow_sieve.api.formulas import files as formula_files
from fallow_sieve.api.formulas import routes as formulas
from fallow_sieve.api.ingredients import files as shelf_files
from fallow_sieve.api.ingredients import lots, own_numbers, shelf, side_by_side
from fallow_sieve.api.ingredients import routes as ingredients
from fallow_sieve.api.kitchen import ahead as kitchen_ahead
from fallow_sieve.api.kitchen import routes as kitchen
from fallow_sieve.api.kitchen import words as kitchen_words
from fallow_sieve.api.looking import DemoKitchen, register_looking
from fallow_sieve.api.problems import register_problems
from fallow_sieve.api.proposals import routes as proposals
from fallow_sieve.api.recipes import routes as recipes
from fallow_sieve.api.reference import routes as reference
from fallow_sieve.api.schedules import planning, starters, workplace
from fallow_sieve.api.schedules import routes as schedules
from fallow_sieve.api.security import register_security
from fallow_sieve.api.stock import bins, holds
from fallow_sieve.api.stock import routes as stock
from fallow_sieve.api.tastings import files as tasting_files
from fallow_sieve.api.tastings import links as seat_links
from fallow_sieve.api.tastings import routes as tastings
from fallow_sieve.api.tastings import seats
from fallow_sieve.api.trials import families, measuring, photos, sheets, trying
from fallow_sieve.api.trials import files as trial_files
from fallow_sieve.api.trials import routes as trials
from fallow_sieve.devices import Scale, SimulatedScale
from fallow_sieve.sheets.server import SheetServer
from fallow_sieve.store import KitchenStore, NotFoundError

API = "/api/v1"
MOST_ID = 2**53  # what JSON numbers hold exactly, and well inside what SQLite does


_MODULES = (
    reference,
    beginning,
    kitchen,
    kitchen_words,
    kitchen_ahead,
    devices,
    ingredients,
    shelf,
    shelf_files,
    lots,
    own_numbers,
    side_by_side,
    briefs,
    blends,
    judging,
    blend_files,
    proposals,
    formulas,
    work,
    formula_files,
    pours,
    bags,
    opened_bags,
    recipes,
    schedules,
    planning,
    workplace,
    starters,
    trials,
    trial_files,
    measuring,
    sheets,
    trying,
    photos,
    families,
    tastings,
    seats,
    seat_links,
    tasting_files,
    experiments,
    experiment_runs,
    batches,
    weighings,
    batch_bags,
    batch_labels,
    weigh_sheets,
    stock,
    holds,
    bins,
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
    equip(app, database, clock, web_dist, scale)
    register_looking(app)
    register_problems(app)
    register_security(app, only_this_machine=only_this_machine)
    for module in _MODULES:
        app.register_blueprint(module.routes, url_prefix=API)
    app.register_blueprint(sheets.pages, url_prefix="/sheet")
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


def equip(
    app: Flask,
    database: Path | str,
    clock: Callable[[], datetime] = _clock,
    web_dist: Path | None = None,
    scale: Scale | None = None,
) -> None:
    """Give an application the kitchen in `database`, and all that works with it; see `create_app`."""
    kitchen, dist = KitchenStore(Path(database)), web_dist or pages.BUILT
    app.extensions |= {
        "kitchen": kitchen,
        "clock": clock,
        "scale": scale or SimulatedScale(monotonic),
        "web_dist": dist,
        "sheets": SheetServer(kitchen, clock, dist),
        "tokens": token_urlsafe,
        "demo": DemoKitchen(clock),
    }
