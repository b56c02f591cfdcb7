"""Finding an ingredient by what somebody calls it: its name, another name, or part of a word."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from difflib import SequenceMatcher


@dataclass(frozen=True, slots=True)
class Searchable:
    """Something with a slug, a name and other names."""

    slug: str
    name: str
    aliases: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Found:
    """A hit: its slug, and the other name it was found by (empty where by its own)."""

    slug: str
    by: str


_NEAR = 0.75


def find(query: str, items: Iterable[Searchable]) -> list[Found]:
    """Return what `query` may mean, best first: words that start with it, then hold it, then look like it.

    An empty query returns everything in its order. A name counts before another name.
    """
    wanted = query.strip().lower()
    if not wanted:
        return [Found(i.slug, "") for i in items]
    ranked = []
    for order, item in enumerate(items):
        by_name = _rank(wanted, item.name)
        best_alias = max(item.aliases, key=lambda a: _rank(wanted, a), default="")
        by_alias = _rank(wanted, best_alias) - 0.05 if best_alias else 0.0
        rank = max(by_name, by_alias)
        if rank > 0:
            ranked.append((-rank, order, Found(item.slug, best_alias if by_alias > by_name else "")))
    return [found for _, _, found in sorted(ranked, key=lambda r: r[:2])]


def _rank(wanted: str, text: str) -> float:
    """How well `text` answers `wanted`: 4 the whole, 3 its start, 2 a word's start, 1 inside, under 1 alike."""
    name = text.lower()
    if name == wanted:
        return 4.0
    if name.startswith(wanted):
        return 3.0
    words = name.replace("(", " ").replace("/", " ").replace(",", " ").split()
    if all(any(w.startswith(q) for w in words) for q in wanted.split()):
        return 2.0
    if wanted in name:
        return 1.0
    if len(wanted) < 4:
        return 0.0
    near = max((SequenceMatcher(None, wanted, w).ratio() for w in (*words, name)), default=0.0)
    return near if near >= _NEAR else 0.0
