"""The search over a whole kitchen: briefs, blends, formulas and ingredients by name, use or other name."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from sqlmodel import Session

from fallow_sieve.core.ingredients import ROLE_LABELS, Searchable, find
from fallow_sieve.reference import rules
from fallow_sieve.services.ingredients.shelf import View, looked_for
from fallow_sieve.store import BLENDS, FORMULAS, list_briefs

_SEARCHED = 10_000
_SHOWN = 12
Kind = Literal["brief", "blend", "formula", "ingredient"]


@dataclass(frozen=True, slots=True)
class Found:
    """Something that was found: its kind, its id (0 for an ingredient) or slug, its name, and what it is about."""

    kind: Kind
    id: int
    slug: str
    name: str
    about: str


def found_in_kitchen(session: Session, query: str, view: View | None) -> list[Found]:
    """Return what `query` may mean, best first: the work, then the ingredients seen through `view`."""
    entries = _work(session)
    searchable = [Searchable(key, found.name, (found.about,)) for key, found in entries.items()]
    items = [entries[hit.slug] for hit in find(query, searchable)[:_SHOWN]]
    if view is None:
        return items
    flours = [view.index.shelf[hit.slug] for hit in looked_for(query, view)]
    more = [Found("ingredient", 0, i.slug, i.name, ROLE_LABELS[i.role]) for i in flours]
    return [*items, *more[: _SHOWN - len(items)]]


def _work(session: Session) -> dict[str, Found]:
    """Briefs, blends and formulas by a key of their own; a document is told by the use of its draft too."""
    briefs = {
        f"brief-{b.id}": Found("brief", b.id, "", b.name, _use(b.use)) for b in list_briefs(session, 0, _SEARCHED)
    }
    blends = {
        f"blend-{h.id}": Found("blend", h.id, "", h.name, _use(BLENDS.draft(session, h.id).content.use))
        for h in BLENDS.page(session, None, 0, _SEARCHED)
    }
    formulas = {
        f"formula-{h.id}": Found("formula", h.id, "", h.name, _use(FORMULAS.draft(session, h.id).content.use))
        for h in FORMULAS.page(session, None, 0, _SEARCHED)
    }
    return {**briefs, **blends, **formulas}


def _use(slug: str | None) -> str:
    found = rules().uses.get(slug or "")
    return found.name if found else ""
