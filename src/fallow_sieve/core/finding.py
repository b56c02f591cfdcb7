"""Finding an ingredient by what somebody calls it: its name, another name, or part of a word."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from difflib import SequenceMatcher


@dataclass(frozen=True, slots=True)
class Searchable:
    """Something with a slug, a name, other names, and the names of what it is taken for."""

    slug: str
    name: str
    aliases: tuple[str, ...] = ()
    taken_for: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Found:
    """A hit: its slug, and the other name it was found by (empty where by its own)."""

    slug: str
    by: str


_NEAR = 0.75
# How much a hit by another name, or by the name of a look-alike, counts less than one by its own name.
_BEHIND_OWN = (0.0, 0.05, 2.5)


def find(query: str, items: Iterable[Searchable]) -> list[Found]:
    """Return what `query` may mean, best first: words that start with it, then hold it, then look like it.

    An empty query returns everything in its order. A name counts before another name, and that before the name
    of a look-alike, which stands last so that the two can be told apart.
    """
    wanted = query.strip().lower()
    if not wanted:
        return [Found(i.slug, "") for i in items]
    ranked = []
    for order, item in enumerate(items):
        rank, by = _best(wanted, item)
        if rank > 0:
            ranked.append((-rank, order, Found(item.slug, by)))
    return [found for _, _, found in sorted(ranked, key=lambda r: r[:2])]


def _best(wanted: str, item: Searchable) -> tuple[float, str]:
    groups = ((item.name,), item.aliases, item.taken_for)
    ranks = [
        (_rank(wanted, name) - behind, "" if n == 0 else name)
        for n, (names, behind) in enumerate(zip(groups, _BEHIND_OWN, strict=True))
        for name in names
    ]
    return max(ranks, key=lambda r: r[0])


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
