"""The kitchen's settings, and the search over briefs and blends."""

from __future__ import annotations

from typing import Literal

from flask import Blueprint, Response, request
from sqlmodel import Session

from fallow_sieve.api.http import answer, body, if_match, store, today
from fallow_sieve.api.requests import SearchQuery, SettingsIn
from fallow_sieve.api.responses import FoundOut, KitchenOut, SearchOut
from fallow_sieve.api.shelf import view_of
from fallow_sieve.api.spec import route
from fallow_sieve.core.ingredients.ingredient import ROLE_LABELS
from fallow_sieve.core.ingredients.search import Searchable, find
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.blends import list_blends
from fallow_sieve.store.briefs import list_briefs
from fallow_sieve.store.formulas import get_formula_draft, list_formulas
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
    """Return briefs, blends, formulas and ingredients whose name, use or other name matches `?q=`."""
    query = request.args.get("q", "")[:80]
    with store().reading() as session:
        entries = _work(session)
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


def _work(session: Session) -> dict[str, FoundOut]:
    """Briefs, blends and formulas by a key of their own; a formula is told by the blend and use of its draft."""
    found = {f"brief-{b.id}": _found("brief", b.id, b.name, _use(b.use)) for b in list_briefs(session, 0, _SEARCHED)}
    for b in list_blends(session, None, 0, _SEARCHED):
        found[f"blend-{b.id}"] = _found("blend", b.id, b.name, _use(b.use))
    for f in list_formulas(session, 0, _SEARCHED):
        assert f.id is not None
        use = get_formula_draft(session, f.id).content.get("use")
        found[f"formula-{f.id}"] = _found("formula", f.id, f.name, _use(use))
    return found


def _found(kind: Literal["brief", "blend", "formula"], row_id: int | None, name: str, about: str) -> FoundOut:
    return FoundOut(kind=kind, id=row_id or 0, slug="", name=name, about=about)


def _use(slug: str | None) -> str:
    found = rules().uses.get(slug or "")
    return found.name if found else ""
