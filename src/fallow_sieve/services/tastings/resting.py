"""How much a verdict rests on one person: the table told again without each seat in turn. A look, not a test."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.tastings.panels import Seat
from fallow_sieve.core.tastings.tallies import Table
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.tastings import TastingAnswer
from fallow_sieve.services.tastings.result import verdict_of

TOO_FEW = "Too few to say"
_NOTHING = "nothing could be told"
_LEFT_OUT = "left out to see"
_FIRST = re.compile(r"^.*?(?=[.:] |[.:]?$)")


@dataclass(frozen=True, slots=True)
class Without:
    """What the table would have said without a seat."""

    seat: int
    name: str
    verdict: str


@dataclass(frozen=True, slots=True)
class RestsOnSeats:
    """Of how many seats each was left out in turn, those without which another thing is said, and one sentence."""

    looked_at: int
    other: tuple[Without, ...]
    say: str


def rests_on_seats(table: Table) -> RestsOnSeats:
    """Return without which seats `table` would say another thing. Raises BadInputError where it says nothing now."""
    said = verdict_of(table)
    if said is None:
        raise BadInputError("nobody answered the main question", right="look again once somebody has")
    seats = [s for s in table.counted() if table.given.get(s.number)]
    other = tuple(
        Without(s.number, s.name, "" if found is None else found.verdict)
        for s in seats
        if not _alike(said, found := _without(table, s))
    )
    return RestsOnSeats(len(seats), other, _sentence(len(seats), other))


def _without(table: Table, seat: Seat) -> TastingAnswer | None:
    """What is told without a seat; None for nothing."""
    seats = tuple(replace(s, dropped=_LEFT_OUT) if s.number == seat.number else s for s in table.seats)
    try:
        return verdict_of(replace(table, seats=seats))
    except BadInputError:
        return None


def _alike(a: TastingAnswer, b: TastingAnswer | None) -> bool:
    return b is not None and a.winner == b.winner and _first(a.verdict) == _first(b.verdict)


def _first(verdict: str) -> str:
    """The first sentence of a verdict, which says what holds; its numbers follow."""
    found = _FIRST.match(verdict)
    return found[0] if found else verdict


def _sentence(looked_at: int, other: Sequence[Without]) -> str:
    if not other:
        return f"Without any one of the {looked_at} it says the same."
    if len(other) == looked_at and all(w.verdict.startswith(TOO_FEW) for w in other):
        return "With one seat fewer it would be too few to say."
    would = sorted({_first(w.verdict) or _NOTHING for w in other})
    said = " or ".join(f"“{w}”" for w in would)
    if len(other) == looked_at:
        return f"Every one of the {looked_at} is needed: without any of them, {said}."
    named = ", ".join(str(w.seat) for w in other[:-1])
    seats = f"seats {named} and {other[-1].seat}" if named else f"seat {other[0].seat}"
    return f"It rests on {seats}: without {'any of them' if named else 'it'}, {said}."
