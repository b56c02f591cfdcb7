"""The kitchen's settings, and the search over all that is in it."""

from __future__ import annotations

from pathlib import Path
from tempfile import TemporaryDirectory

from flask import Blueprint, Response, request

from fallow_sieve.api.http import answer, body, file_answer, if_match, store, today
from fallow_sieve.api.kitchen.models import KitchenOut, SearchOut, SearchQuery, SettingsIn
from fallow_sieve.api.spec import route
from fallow_sieve.services.ingredients.shelf import view_of
from fallow_sieve.services.readable import readable_parts
from fallow_sieve.services.searching import found_in_kitchen
from fallow_sieve.store import save_settings, settings_of
from fallow_sieve.store.archives import write_archive

routes = Blueprint("kitchen", __name__)


@routes.get("/kitchen")
@route(KitchenOut)
def kitchen() -> Response:
    """Return the kitchen's settings."""
    with store().reading() as session:
        found = settings_of(session)
    return answer(KitchenOut.model_validate(found), version=found.version)


@routes.put("/kitchen")
@route(KitchenOut, json=SettingsIn, stale=True)
def save_kitchen() -> Response:
    """Save the kitchen's settings."""
    given, version = body(SettingsIn), if_match()
    with store().writing() as session:
        found = save_settings(session, given.model_dump(), version)
    return answer(KitchenOut.model_validate(found), version=found.version)


@routes.get("/kitchen/archive")
@route(None)
def archived() -> Response:
    """Return the whole kitchen as one ZIP of open files."""
    with TemporaryDirectory() as folder:
        made = Path(folder) / "kitchen.zip"
        write_archive(store().path, made, readable=readable_parts(store()))
        return file_answer(made.read_bytes(), "application/zip", f"fallow-sieve-{today().isoformat()}.zip")


@routes.get("/search")
@route(SearchOut, query=SearchQuery)
def search() -> Response:
    """Return briefs, blends, formulas and ingredients whose name, use or other name matches `?q=`."""
    query = request.args.get("q", "")[:80]
    with store().reading() as session:
        view = view_of(store(), session, store().shelf(session, today())) if query.strip() else None
        return answer(SearchOut(items=found_in_kitchen(session, query, view)))
