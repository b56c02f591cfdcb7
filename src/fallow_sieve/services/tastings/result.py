"""What a table said once it was unblinded: the main question's verdict, each seat's marks, and leads told as leads."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from fallow_sieve.core.tastings.answers import Marks, Method
from fallow_sieve.core.tastings.just_about_right import LEAST_MARKS, Drop, RightFor, right_for
from fallow_sieve.core.tastings.pooling import level_of_looks
from fallow_sieve.core.tastings.sheets import COMMENT
from fallow_sieve.core.tastings.tallies import Table, main_answers, right_marks, word_ticks
from fallow_sieve.core.tastings.ticks import word_tests
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.tastings import TastingAnswer
from fallow_sieve.reference import asked_so, steps_of
from fallow_sieve.services.tastings.telling import Asking, told


@dataclass(frozen=True, slots=True)
class SeatMarks:
    """The marks of a seat (points or places) by the number of the sample, in the order of the table; None: no mark."""

    seat: int
    name: str
    dropped: bool
    marks: list[float | None]


@dataclass(frozen=True, slots=True)
class RightLead:
    """A lead of just about right: sample, attribute with its words, counts of the five steps, what it says."""

    sample: str
    attribute: str
    steps: list[str]
    counts: list[int]
    say: str
    detail: str
    backed: bool


@dataclass(frozen=True, slots=True)
class WordLead:
    """A lead of ticked words: counts by sample in the table's order, p (0–1) corrected for the words offered."""

    word: str
    counts: list[int]
    p: float


@dataclass(frozen=True, slots=True)
class Remark:
    """A comment of a seat on a sample."""

    seat: int
    sample: str
    text: str


@dataclass(frozen=True, slots=True)
class TastingResult:
    """What was said: the verdict without seats that were taken out (and with them), marks, leads, comments."""

    told: TastingAnswer | None
    with_dropped: TastingAnswer | None
    marks: list[SeatMarks]
    rights: list[RightLead]
    words: list[WordLead]
    remarks: list[Remark]
    looked_at: int
    trouble: str


def result_of(table: Table) -> TastingResult:
    """Return what a table said; `trouble` says why nothing can be told, where that is so."""
    trouble, said, whole = "", None, None
    try:
        said = verdict_of(table)
        whole = verdict_of(table, dropped=True) if any(s.dropped for s in table.seats) else None
    except BadInputError as error:
        trouble = str(error)
    if said is None and not trouble:
        trouble = "Nobody answered the main question."
    # What says most stands first: what is backed, then sides that were chosen by more than just right.
    rights = sorted(_rights(table), key=lambda r: (not r.backed, r.say.startswith("just right")))
    words = _words(table)
    return TastingResult(said, whole, _marks(table), rights, words, _remarks(table), len(rights) + len(words), trouble)


def verdict_of(table: Table, *, dropped: bool = False) -> TastingAnswer | None:
    """Return what the main question's answers say; None where there are none. Raises BadInputError."""
    found = main_answers(table, dropped=dropped)
    return None if found is None else told(found, table.asked.main, asking_of(table))


def asking_of(table: Table) -> Asking:
    """Return what was set beforehand at a table: worth and margin in points, the level of its look."""
    asked = table.asked
    new = next((s.name for s in table.samples if s.number == asked.new), "")
    margin = asked.margin if asked.main is Method.LIKING else None
    return Asking(asked.worth, margin, new, level_of_looks(asked.looks))


def _marks(table: Table) -> list[SeatMarks]:
    found = main_answers(table, dropped=True)
    if not isinstance(found, Marks):
        return []
    by_seat = dict(zip(found.tasters, found.rows, strict=True))
    return [
        SeatMarks(s.number, s.name, bool(s.dropped), list(by_seat[str(s.number)]))
        for s in table.seats
        if str(s.number) in by_seat
    ]


def _rights(table: Table) -> Iterator[RightLead]:
    for attribute in table.asked.just_right:
        by_sample = right_marks(table, attribute)
        every = [mark for marks in by_sample.values() for mark in marks]
        steps = list(steps_of(asked_so(attribute)))
        for sample, marks in by_sample.items():
            if marks:
                yield _right(sample, attribute, steps, right_for(marks, every))


def _right(sample: str, attribute: str, steps: list[str], found: RightFor) -> RightLead:
    side, word = (found.too_little, steps[0]) if found.too_little.marks > found.too_much.marks else (
        found.too_much, steps[4])  # fmt: skip
    middle, of = found.counts[2], side.of
    if middle >= side.marks:
        say = f"just right for {middle} of {of}"
    else:
        say = f"{word.replace('far too', 'too')} for {side.marks} of {of}"
    return RightLead(sample, attribute, steps, list(found.counts), say, _drop(side), side.backed)


def _drop(side: Drop) -> str:
    if side.points is None:
        return "too few either side to say"
    backed = f"backed, {side.marks} marks" if side.backed else f"not backed, {side.marks} marks"
    few = f" of the {LEAST_MARKS} it takes" if side.marks < LEAST_MARKS else ""
    return f"liked {side.points:.1f} less there; {backed}{few}"


def _words(table: Table) -> list[WordLead]:
    ticks = None if table.asked.main is Method.WORDS else word_ticks(table)
    if ticks is None:
        return []
    try:
        tests = word_tests(ticks.rows)
    except BadInputError:
        return []
    return [WordLead(t.word, list(t.counts), t.corrected_p) for t in tests]


def _remarks(table: Table) -> list[Remark]:
    names = {s.number: s.name for s in table.samples}
    return [
        Remark(seat.number, names[table.plates[a.plate].sample], a.text)
        for seat in table.seats
        for a in table.given.get(seat.number, ())
        if a.method == COMMENT and a.text and a.plate in table.plates
    ]
