"""Finding an ingredient by what somebody calls it: its name, another name, or part of a word."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from difflib import SequenceMatcher

from fallow_sieve.core.ingredients.shelf import Shelf


@dataclass(frozen=True, slots=True)
class Name:
    """A name made ready to be looked for: as it is shown, in lower case, and its words."""

    shown: str
    text: str
    words: tuple[str, ...]


def _name(shown: str) -> Name:
    text = shown.lower()
    return Name(shown, text, tuple(text.replace("(", " ").replace("/", " ").replace(",", " ").split()))


@dataclass(frozen=True, slots=True)
class Searchable:
    """Something with a slug, a name, other names, and the names of what it is taken for.

    `behind` is how much a hit of it counts less than one of something else.
    """

    slug: str
    name: str
    aliases: tuple[str, ...] = ()
    taken_for: tuple[str, ...] = ()
    behind: float = 0.0
    groups: tuple[tuple[Name, ...], ...] = field(init=False, repr=False, compare=False)
    everything: str = field(init=False, repr=False, compare=False)

    def __post_init__(self) -> None:
        groups = ((self.name,), self.aliases, self.taken_for)
        made = tuple(tuple(_name(n) for n in group) for group in groups)
        object.__setattr__(self, "groups", made)
        object.__setattr__(self, "everything", "\n".join(n.text for group in made for n in group))


@dataclass(frozen=True, slots=True)
class Hit:
    """A hit: its slug, and the other name it was found by (empty where by its own)."""

    slug: str
    by: str


LARDER_BEHIND = 1.2  # what the larder has counts less than what stands on the shelf, a whole name more than a start
_NEAR = 0.75
_SHORTEST_SLIP = 4
# How much a hit by another name, or by the name of a look-alike, counts less than one by its own name.
_BEHIND_OWN = (0.0, 0.05, 2.5)


def find(query: str, items: Iterable[Searchable], *, slips: bool = True) -> list[Hit]:
    """Return what `query` may mean, best first: words that start with it, then hold it; else what looks like it.

    An empty query returns everything in its order. A name counts before another name, and that before the name
    of a look-alike, which stands last so that the two can be told apart. Only where nothing holds it is a slip of
    the pen looked for, and only for `slips`.
    """
    wanted = query.strip().lower()
    known = list(items)
    if not wanted:
        return [Hit(i.slug, "") for i in known]
    parts = wanted.split()
    holding = [i for i in known if all(part in i.everything for part in parts)]
    found = _ranked(holding, wanted, _rank)
    return found if found or not slips or len(wanted) < _SHORTEST_SLIP else _alike(known, wanted)


def near_words(wanted: str, words: Iterable[str]) -> dict[str, float]:
    """Return of `words` those that look like `wanted`, with how alike the two are, 0–1."""
    matcher, size, found = SequenceMatcher(None, b=wanted), len(wanted), {}
    for word in set(words):
        if 2 * min(size, len(word)) < _NEAR * (size + len(word)):
            continue
        matcher.set_seq1(word)
        if matcher.quick_ratio() >= _NEAR and (ratio := matcher.ratio()) >= _NEAR:
            found[word] = ratio
    return found


def _alike(items: Sequence[Searchable], wanted: str) -> list[Hit]:
    """What a slip of the pen may have meant. Words are few beside names, so each is looked at once."""
    names = [n for i in items for group in i.groups for n in group]
    near = near_words(wanted, (w for n in names for w in (*n.words, n.text)))
    if not near:
        return []

    def likeness(_wanted: str, name: Name) -> float:
        return max(near.get(w, 0.0) for w in (*name.words, name.text))

    return _ranked(items, wanted, likeness)


def _ranked(items: Sequence[Searchable], wanted: str, rank: Callable[[str, Name], float]) -> list[Hit]:
    ranked = []
    for order, item in enumerate(items):
        best, by = max(
            (
                (rank(wanted, name) - behind - item.behind, name.shown)
                for group, behind in zip(item.groups, _BEHIND_OWN, strict=True)
                for name in group
            ),
            key=lambda r: r[0],
        )
        if best > 0:
            ranked.append((-best, order, Hit(item.slug, "" if by == item.name else by)))
    return [found for _, _, found in sorted(ranked, key=lambda r: r[:2])]


def _rank(wanted: str, name: Name) -> float:
    """How well `name` answers `wanted`: 4 the whole, 3 its start, 2 a word's start, 1 inside."""
    if name.text.startswith(wanted):
        return 4.0 if name.text == wanted else 3.0
    if all(any(w.startswith(q) for w in name.words) for q in wanted.split()):
        return 2.0
    return 1.0 if wanted in name.text else 0.0


@dataclass(frozen=True, slots=True)
class LookAlike:
    """Two ingredients (slugs) that are taken for each other, and how they differ."""

    ingredient: str
    taken_for: str
    differ: str


@dataclass(frozen=True, slots=True)
class TakenFor:
    """Another ingredient (slug and name) that one is taken for, and how they differ."""

    ingredient: str
    name: str
    differ: str


def taken_for(slug: str, shelf: Shelf, pairs: Iterable[LookAlike]) -> tuple[TakenFor, ...]:
    """Return what the ingredient `slug` is taken for, by the known `pairs`, as far as it is on the shelf."""
    found = []
    for pair in pairs:
        if slug in (pair.ingredient, pair.taken_for):
            other = pair.taken_for if pair.ingredient == slug else pair.ingredient
            if other in shelf:
                found.append(TakenFor(other, shelf[other].name, pair.differ))
    return tuple(found)


def searchables(shelf: Shelf, other_names: Mapping[str, Sequence[str]], pairs: Iterable[LookAlike]) -> list[Searchable]:
    """Return what can be looked for on `shelf`: by name, other names, and names of what it is taken for."""
    alike: dict[str, list[str]] = defaultdict(list)
    for pair in pairs:
        if pair.ingredient in shelf and pair.taken_for in shelf:
            alike[pair.ingredient].append(shelf[pair.taken_for].name)
            alike[pair.taken_for].append(shelf[pair.ingredient].name)
    return [
        Searchable(
            i.slug,
            i.name,
            tuple(other_names.get(i.slug, ())),
            tuple(alike[i.slug]),
            LARDER_BEHIND if i.in_larder and i.stock_g <= 0 else 0.0,
        )
        for i in shelf.ingredients
    ]
