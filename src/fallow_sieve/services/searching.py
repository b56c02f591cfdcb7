"""The search over a whole kitchen: briefs, blends, formulas, schedules and ingredients by name, use or other name."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from sqlmodel import Session

from fallow_sieve.core.ingredients import ROLE_LABELS, Searchable, find, near_words
from fallow_sieve.reference import rules
from fallow_sieve.services.ingredients.shelf import View, looked_for
from fallow_sieve.store import words_of_work, work_named

_SHOWN = 12
_RANKED = 40  # of each kind that holds the words, the first by how they begin
_SHORTEST_SLIP = 4
Kind = Literal["brief", "blend", "formula", "schedule", "ingredient"]


@dataclass(frozen=True, slots=True)
class Found:
    """Something that was found: its kind, its id (0 for an ingredient) or slug, its name, and what it is about."""

    kind: Kind
    id: int
    slug: str
    name: str
    about: str


def found_in_kitchen(session: Session, query: str, view: View | None) -> list[Found]:
    """Return what `query` may mean, best first: the work, then the ingredients seen through `view`.

    Only where nothing holds its words is a slip of the pen looked for.
    """
    wanted = query.strip().lower()
    if view is None or not wanted:
        return []
    items = _work(session, wanted)
    flours = looked_for(query, view, slips=False) if len(items) < _SHOWN else []
    if not items and not flours and len(wanted) >= _SHORTEST_SLIP:
        near = near_words(wanted, words_of_work(session))
        items = [found for word in sorted(near, key=lambda w: -near[w]) for found in _work(session, word)][:_SHOWN]
        flours = looked_for(query, view)
    shelf = view.index.shelf
    more = [
        Found("ingredient", 0, i.slug, i.name, ROLE_LABELS[i.role]) for i in (shelf[h.slug] for h in flours[:_SHOWN])
    ]
    return [*items, *more[: _SHOWN - len(items)]]


def _work(session: Session, wanted: str) -> list[Found]:
    """Briefs, blends and formulas that hold every word, in their name or in that of their use, best first."""
    uses = {word: [u.slug for u in rules().uses.values() if word in u.name.lower()] for word in wanted.split()}
    entries = {f"{n.kind}-{n.id}": n for n in work_named(session, uses, _RANKED)}
    searchable = [Searchable(key, n.name, (_use(n.use),) if n.use else ()) for key, n in entries.items()]
    found = [entries[hit.slug] for hit in find(wanted, searchable, slips=False)[:_SHOWN]]
    return [Found(n.kind, n.id, "", n.name, _use(n.use)) for n in found]


def _use(slug: str | None) -> str:
    found = rules().uses.get(slug or "")
    return found.name if found else ""
