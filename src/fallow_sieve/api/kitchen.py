"""The kitchen's settings, and the search over briefs and blends."""

from __future__ import annotations

from flask import Blueprint, Response, request

from fallow_sieve.api.http import answer, body, if_match, store
from fallow_sieve.api.requests import SearchQuery, SettingsIn
from fallow_sieve.api.responses import FoundOut, KitchenOut, SearchOut
from fallow_sieve.api.spec import route
from fallow_sieve.core.finding import Searchable, find
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
    """Return briefs and blends whose name, use or note matches `?q=`."""
    query = request.args.get("q", "")[:80]
    uses = rules().uses
    with store().reading() as session:
        entries = {
            f"brief-{b.id}": ("brief", b.id, b.name, _use(uses, b.use)) for b in list_briefs(session, 0, _SEARCHED)
        }
        entries |= {
            f"blend-{b.id}": ("blend", b.id, b.name, _use(uses, b.use))
            for b in list_blends(session, None, 0, _SEARCHED)
        }
    searchable = [Searchable(key, name, (about,)) for key, (_, _, name, about) in entries.items()]
    items = []
    for hit in find(query, searchable)[:_SHOWN]:
        kind, row_id, name, about = entries[hit.slug]
        items.append(FoundOut(kind=kind, id=row_id, name=name, about=about))
    return answer(SearchOut(items=items))


def _use(uses: object, slug: str | None) -> str:
    found = rules().uses.get(slug or "")
    return found.name if found else ""
