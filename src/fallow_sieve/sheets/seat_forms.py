"""What stands on each page of a seat's sheet, and what its form says."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from werkzeug.datastructures import MultiDict

from fallow_sieve.core.tastings.answers import LADDER, Method, plain
from fallow_sieve.core.tastings.avoiding import GLUTEN
from fallow_sieve.core.tastings.panels import LONGEST_COMMENT, OF_TWO
from fallow_sieve.core.tastings.sheets import COMMENT, JUST_RIGHT, LIKING, RANKING, TABLE, WORDS, Answer
from fallow_sieve.core.values import spaced
from fallow_sieve.reference import asked_so, steps_of
from fallow_sieve.services.tastings.answering import SeatNow, asked_about
from fallow_sieve.services.tastings.wording import question_of

AVOID, RANK, CHOICE, END = "avoid", "rank", "choice", "end"
Form = MultiDict[str, str]


@dataclass(frozen=True, slots=True)
class RightView:
    """A row of just about right: its question, the words of its steps, the step that was chosen."""

    ask: str
    steps: Sequence[str]
    value: int | None


@dataclass(frozen=True, slots=True)
class SliceView:
    """A slice of this seat: its plate, code, whether it is done, and what was answered."""

    plate: int
    code: int
    done: bool
    liking: float | None
    place: float | None
    not_tasted: bool


@dataclass(frozen=True, slots=True)
class SeatView:
    """A page of a seat's sheet: where it is, its slices, and what it asks."""

    seat: int
    name: str
    at: str
    first: bool
    slices: Sequence[SliceView]
    now: SliceView | None
    question: str
    likes: bool
    ladder: Sequence[tuple[int, str]]
    rights: Sequence[RightView]
    words: Sequence[tuple[str, bool]]
    comment: str | None
    avoid: Sequence[tuple[str, str]]
    choice: Sequence[int]
    goes_with: int | None
    chosen: float | None
    may_be_neither: bool
    warm_up: bool
    withheld: bool
    missing: Sequence[str]
    handed_in: bool


def pages_of(found: SeatNow) -> list[str]:
    """Return the pages of a seat in their order, by name; what it avoids first, where nobody asked yet."""
    asked = found.here.table.asked
    if not found.seat.seat.asked and asked_about(found.here):
        return [AVOID]
    alone = asked.main in (Method.LIKING, Method.WORDS) or asked.just_right or asked.words or asked.comment
    pages = [str(n + 1) for n in range(len(found.plates))] if alone else []
    if asked.main is Method.RANKING and found.plates:
        pages.append(RANK)
    if asked.main in OF_TWO and found.plates:
        pages.append(CHOICE)
    return [*pages, END]


def page_asked(found: SeatNow, at: str) -> str:
    """Return the page to show: the one asked for, else the end once handed in, else the first that is not done."""
    pages = pages_of(found)
    if at in pages:
        return at
    if found.seat.seat.handed_in_at:
        return pages[-1]
    undone = (p for p in pages if p.isdigit() and not found.is_done(found.plates[int(p) - 1]))
    return next(undone, pages[0])


def seat_view(found: SeatNow, at: str) -> SeatView:
    """Return what a page of a seat's sheet shows."""
    asked, seat = found.here.table.asked, found.seat.seat
    slices = [_slice(found, p) for p in found.plates]
    now = slices[int(at) - 1] if at.isdigit() else None
    return SeatView(
        seat=seat.number, name=seat.name, at=at, first=pages_of(found)[0] == at, slices=slices, now=now,
        question=question_of(asked),
        likes=asked.main is Method.LIKING or bool(asked.just_right),
        ladder=[(n, LADDER[n - 1]) for n in range(9, 0, -1)],
        rights=[_right(found, now.plate, a) for a in asked.just_right] if now else [],
        words=[(w, _value(found, now.plate, WORDS, w) == 1) for w in found.words] if now else [],
        comment=_text(found, now.plate) if now and asked.comment else None,
        avoid=[(a, "gluten" if a == GLUTEN else spaced(a)) for a in asked_about(found.here)],
        choice=_choices(found), goes_with=_partner(found),
        chosen=_value(found, TABLE, str(asked.main), ""),
        may_be_neither=asked.main is Method.PAIRED,
        warm_up=asked.warm_up and pages_of(found)[0] == at,
        withheld=len(found.plates) < len(seat.order),
        missing=_missing(found, slices), handed_in=bool(seat.handed_in_at),
    )  # fmt: skip


def _slice(found: SeatNow, plate: int) -> SliceView:
    main = found.here.table.asked.main
    answer = found.given.get((plate, str(main), ""))
    return SliceView(
        plate=plate,
        code=found.here.table.plates[plate].code,
        done=found.is_done(plate),
        liking=_value(found, plate, LIKING, ""),
        place=_value(found, plate, RANKING, ""),
        not_tasted=answer is not None and answer.value is None,
    )


def _value(found: SeatNow, plate: int, method: str, attribute: str) -> float | None:
    answer = found.given.get((plate, method, plain(attribute)))
    return None if answer is None else answer.value


def _text(found: SeatNow, plate: int) -> str:
    answer = found.given.get((plate, COMMENT, ""))
    return "" if answer is None else answer.text


def _right(found: SeatNow, plate: int, attribute: str) -> RightView:
    value, row = _value(found, plate, JUST_RIGHT, attribute), asked_so(attribute)
    return RightView(row.ask, steps_of(row), None if value is None else int(value))


def _choices(found: SeatNow) -> list[int]:
    """Codes to choose from; of a tetrad those that may go with the first."""
    return found.codes[1:] if found.here.table.asked.main is Method.TETRAD else found.codes


def _partner(found: SeatNow) -> int | None:
    return found.codes[0] if found.here.table.asked.main is Method.TETRAD and found.codes else None


def _missing(found: SeatNow, slices: Sequence[SliceView]) -> list[str]:
    if found.here.table.asked.main in OF_TWO:
        chosen = any(k[0] == TABLE for k in found.given)
        return [] if chosen or not slices else ["your choice"]
    return [str(s.code) for s in slices if not s.done]


def answers_in(form: Form, found: SeatNow, at: str) -> list[Answer]:
    """Return the answers that the form of a page gives; what was left open gives none."""
    if at == RANK:
        return list(_ranks(form, found))
    if at == CHOICE:
        return list(_choice(form, found))
    if not at.isdigit() or not 1 <= int(at) <= len(found.plates):
        return []
    return list(_of_plate(form, found, found.plates[int(at) - 1]))


def _ranks(form: Form, found: SeatNow) -> Iterator[Answer]:
    for plate in found.plates:
        place = form.get(f"rank-{plate}", "")
        if place.isdigit():
            yield Answer(plate, RANKING, "", float(place))


def _choice(form: Form, found: SeatNow) -> Iterator[Answer]:
    code, by_code = form.get("choice", ""), {found.here.table.plates[p].code: p for p in found.plates}
    if code.isdigit():
        yield Answer(TABLE, str(found.here.table.asked.main), "", float(by_code.get(int(code), 0)))


def _of_plate(form: Form, found: SeatNow, plate: int) -> Iterator[Answer]:
    asked = found.here.table.asked
    if form.get("go") == "skip":
        yield Answer(plate, str(asked.main))
        return
    mark = form.get("liking", "")
    if mark.isdigit():
        yield Answer(plate, LIKING, "", float(mark))
    for n, attribute in enumerate(asked.just_right):
        step = form.get(f"right-{n}", "")
        if step.isdigit():
            yield Answer(plate, JUST_RIGHT, attribute, float(step))
    if asked.words and form.get("words"):
        ticked = set(form.getlist("word"))
        yield from (Answer(plate, WORDS, w, float(w in ticked)) for w in asked.words)
    if asked.comment and "comment" in form:
        yield Answer(plate, COMMENT, "", None, form["comment"].strip()[:LONGEST_COMMENT])
