"""The kitchen's settings, and the search over briefs and blends."""

from __future__ import annotations

from flask import Blueprint, Response, request
from sqlmodel import Session

from fallow_sieve.api.http import answer, body, if_match, store, today
from fallow_sieve.api.requests import SearchQuery, SettingsIn
from fallow_sieve.api.responses import FoundOut, KitchenOut, SearchOut
from fallow_sieve.api.shelf import view_of
from fallow_sieve.api.spec import route
from fallow_sieve.core.finding import Searchable, find
from fallow_sieve.core.ingredients import ROLE_LABELS
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.blends import list_blends
from fallow_sieve.store.briefs import list_briefs
from fallow_sieve.store.kitchens import kitchen_of, save_settings
from fallow_sieve.store.tables import KitchenRow

routes = Blueprint("kitchen", __name__)
_SEARCHED = 10_000
_SHOWN = 12


@routes.get("/kitchen")
@route(KitchenOut)
def kitchen() -> Response:
    """Return the kitchen's settings."""
    with store().reading() as session:
        row = kitchen_of(session)
        return answer(_out(row), version=row.version)


@routes.put("/kitchen")
@route(KitchenOut, json=SettingsIn, stale=True)
def save_kitchen() -> Response:
    """Save the kitchen's settings."""
    settings, version = body(SettingsIn), if_match()
    with store().writing() as session:
        row = save_settings(session, settings.model_dump(), version)
    return answer(_out(row), version=row.version)


def _out(row: KitchenRow) -> KitchenOut:
    return KitchenOut(**{name: getattr(row, name) for name in KitchenOut.model_fields})


@routes.get("/search")
@route(SearchOut, query=SearchQuery)
def search() -> Response:
    """Return briefs, blends and ingredients whose name, use or other name matches `?q=`."""
    query = request.args.get("q", "")[:80]
    with store().reading() as session:
        entries = _briefs_and_blends(session)
        shelf = store().shelf(session, today())
        searchables = view_of(session, shelf).searchables if query.strip() else []
    searchable = [Searchable(key, found.name, (found.about,)) for key, found in entries.items()]
    items = [entries[hit.slug] for hit in find(query, searchable)[:_SHOWN]]
    flours = [shelf[hit.slug] for hit in find(query, searchables) if not shelf[hit.slug].archived]
    items += [
        FoundOut(kind="ingredient", id=0, slug=i.slug, name=i.name, about=ROLE_LABELS[i.role])
        for i in flours[: _SHOWN - len(items)]
    ]
    return answer(SearchOut(items=items))


def _briefs_and_blends(session: Session) -> dict[str, FoundOut]:
    uses = rules().uses
    briefs = list_briefs(session, 0, _SEARCHED)
    blends = list_blends(session, None, 0, _SEARCHED)
    found = {
        f"brief-{b.id}": FoundOut(kind="brief", id=b.id, slug="", name=b.name, about=_use(uses, b.use)) for b in briefs
    }
    return found | {
        f"blend-{b.id}": FoundOut(kind="blend", id=b.id, slug="", name=b.name, about=_use(uses, b.use)) for b in blends
    }


def _use(uses: object, slug: str | None) -> str:
    found = rules().uses.get(slug or "")
    return found.name if found else ""
