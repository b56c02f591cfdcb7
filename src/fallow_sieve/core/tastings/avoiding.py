"""Who must not eat what: each sample against each seat, before anything is served or sent.

Unknown is a state of its own and never "free from". A stated allergy or coeliac disease cannot be lifted, only left
out. This defers to the people themselves, to who qualifies to advise them and to local law; it proves nothing safe.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass, field
from enum import StrEnum

from fallow_sieve.core.values import spaced

COELIAC = "coeliac"
GLUTEN = "gluten"


class State(StrEnum):
    """Whether something is in a sample, as far as is known."""

    CONTAINS = "contains"
    UNKNOWN = "unknown"
    KNOWN = "known"  # of gluten: declared or tested values of all that matters; never "free from"


@dataclass(frozen=True, slots=True)
class Holds:
    """What a sample holds: allergens and watched things, whether that is all that is known, and how gluten stands."""

    marks: frozenset[str] = frozenset()
    complete: bool = True
    gluten: State = State.UNKNOWN


@dataclass(frozen=True, slots=True)
class Avoids:
    """What a taster avoids: by allergy (or intolerance that they state as such) and by choice; coeliac disease."""

    allergies: frozenset[str] = frozenset()
    by_choice: frozenset[str] = frozenset()
    coeliac: bool = False


@dataclass(frozen=True, slots=True)
class Block:
    """Why a seat must not have a sample: what, as `contains` or `unknown`; whether a person may lift it."""

    what: str
    state: State
    liftable: bool

    @property
    def say(self) -> str:
        """Return it in words, without unit."""
        name = "gluten" if self.what == COELIAC else spaced(self.what)
        known = f"contains {name}" if self.state is State.CONTAINS else f"{name}: not known"
        why = "coeliac disease" if self.what == COELIAC else "by choice" if self.liftable else "allergy"
        return f"{known} · {why}{'' if self.liftable else ', cannot be lifted'}"


@dataclass(frozen=True, slots=True)
class Leaving:
    """What was done about blocks of a seat: samples left out, and those that a person lifted, by their numbers."""

    left_out: frozenset[int] = frozenset()
    lifted: Mapping[int, str] = field(default_factory=dict)


def blocks(avoids: Avoids, holds: Holds) -> tuple[Block, ...]:
    """Return every reason why a taster must not have a sample, those that cannot be lifted first."""
    found = [Block(a, s, False) for a in sorted(avoids.allergies) if (s := _state(a, holds))]
    if avoids.coeliac and holds.gluten is not State.KNOWN:
        found.append(Block(COELIAC, holds.gluten, False))
    found += [Block(a, s, True) for a in sorted(avoids.by_choice - avoids.allergies) if (s := _state(a, holds))]
    return tuple(found)


def _state(mark: str, holds: Holds) -> State | None:
    if mark == GLUTEN:
        return None if holds.gluten is State.KNOWN else holds.gluten
    if mark in holds.marks:
        return State.CONTAINS
    return None if holds.complete else State.UNKNOWN


def standing_blocks(avoids: Avoids, samples: Mapping[int, Holds], leaving: Leaving) -> dict[int, tuple[Block, ...]]:
    """Return the blocks of a seat that nothing was done about, by the number of the sample.

    Leaving a sample out always does; a lift does for what may be lifted, and for that alone.
    """
    found = {}
    for number, holds in samples.items():
        if number in leaving.left_out:
            continue
        standing = [b for b in blocks(avoids, holds) if not (b.liftable and number in leaving.lifted)]
        if standing:
            found[number] = tuple(standing)
    return found


def asked_of(samples: Iterable[Holds]) -> tuple[str, ...]:
    """Return what an anonymous seat is asked about before its first code, gluten last; codes of allergens."""
    every = list(samples)
    marks = sorted({m for h in every for m in h.marks} - {GLUTEN})
    return (*marks, GLUTEN) if any(h.gluten is not State.KNOWN for h in every) else tuple(marks)


def said_by(taster: Collection[str]) -> Avoids:
    """Return what an anonymous taster ticked as avoidances: none of them is lifted, for nobody knows why."""
    return Avoids(frozenset(taster) - {GLUTEN}, frozenset(), GLUTEN in taster)
