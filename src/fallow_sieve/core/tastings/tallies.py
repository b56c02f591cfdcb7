"""A panel's answers as rows for its questions: samples by their names, seats as tasters."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.tastings import answers as rows
from fallow_sieve.core.tastings.answers import Method, marks_of, plain
from fallow_sieve.core.tastings.just_about_right import Told
from fallow_sieve.core.tastings.panels import Asked, Sample, Seat
from fallow_sieve.core.tastings.plates import Plate, is_right
from fallow_sieve.core.tastings.sheets import JUST_RIGHT, LIKING, TABLE, WORDS, Answer

Given = Mapping[int, Sequence[Answer]]  # by the number of the seat


@dataclass(frozen=True, slots=True)
class Table:
    """A panel with its seats, plates and what was answered, by the number of the seat."""

    asked: Asked
    samples: tuple[Sample, ...]
    seats: tuple[Seat, ...]
    plates: Mapping[int, Plate]
    given: Given

    def counted(self, *, dropped: bool = False) -> list[Seat]:
        """Return the seats whose answers count; with `dropped` also those that the host took out."""
        return [s for s in self.seats if dropped or not s.dropped]


def main_answers(
    table: Table, *, dropped: bool = False
) -> rows.Marks | rows.Choices | rows.RightAnswers | rows.Ticks | None:
    """Return the answers to the main question as rows or counts; None where nothing was answered."""
    method, seats = table.asked.main, table.counted(dropped=dropped)
    if method in (Method.LIKING, Method.RANKING):
        found = marks_of(_marks(table, seats, str(method)))
        return found if found.rows else None
    if method is Method.WORDS:
        return _ticks(table, seats)
    chosen = [(s, int(v)) for s in seats for a in table.given.get(s.number, ()) if (v := _choice(a)) is not None]
    if method is Method.PAIRED:
        of = [table.plates[v].sample if v else 0 for _, v in chosen]
        first, second = (s.number for s in table.samples)
        counts = (of.count(first), of.count(second))
        return rows.Choices((_name(table, first), _name(table, second)), counts, of.count(0)) if chosen else None
    right = [is_right(method, s.order, table.plates, v, table.asked.new) for s, v in chosen]
    return rows.RightAnswers(sum(right), len(right), False) if right else None


def _choice(a: Answer) -> float | None:
    return a.value if a.plate == TABLE else None


def _name(table: Table, number: int) -> str:
    return next(s.name for s in table.samples if s.number == number)


def _of(table: Table, seats: Iterable[Seat], method: str) -> Iterator[tuple[Seat, Answer, str]]:
    """Answers of a method with the seat and the name of the sample."""
    for seat in seats:
        for a in table.given.get(seat.number, ()):
            if a.method == method and a.plate in table.plates:
                yield seat, a, _name(table, table.plates[a.plate].sample)


def _marks(table: Table, seats: Sequence[Seat], method: str) -> Iterator[tuple[str, str, float | None]]:
    """Marks, every sample first in its place, so that columns stand as on the table; who answered nothing is no row."""
    every = list(_of(table, seats, method))
    for seat in {s.number: s for s, *_ in every}.values():
        yield from ((str(seat.number), s.name, None) for s in table.samples)
    yield from ((str(seat.number), name, a.value) for seat, a, name in every)


def _ticks(table: Table, seats: Sequence[Seat]) -> rows.Ticks | None:
    found = {}
    for word in table.asked.words:
        cells = [
            (str(seat.number), name, a.value)
            for seat, a, name in _of(table, seats, WORDS)
            if plain(a.attribute) == plain(word)
        ]
        blank = [(t, s.name, None) for t in dict.fromkeys(t for t, *_ in cells) for s in table.samples]
        if cells:
            found[word] = marks_of([*blank, *cells]).rows
    return rows.Ticks(tuple(s.name for s in table.samples), found) if found else None


def word_ticks(table: Table, *, dropped: bool = False) -> rows.Ticks | None:
    """Return the words ticked beside the main question; None where there are none."""
    return _ticks(table, table.counted(dropped=dropped))


def right_marks(table: Table, attribute: str, *, dropped: bool = False) -> dict[str, list[Told]]:
    """Return the marks of an attribute by sample: taster, liking (points; where given), mark 1–5."""
    seats = table.counted(dropped=dropped)
    liked = {(s.number, name): a.value for s, a, name in _of(table, seats, LIKING)}
    found: dict[str, list[Told]] = {s.name: [] for s in table.samples}
    for seat, a, name in _of(table, seats, JUST_RIGHT):
        mark, liking = a.value, liked.get((seat.number, name))
        if plain(a.attribute) == plain(attribute) and mark is not None and liking is not None:
            found[name].append((str(seat.number), liking, int(mark)))
    return found
