"""Paper sheets, a page a seat: its codes in its order with ladders to tick; what is left out does not stand there."""

from __future__ import annotations

from collections.abc import Sequence

from fallow_sieve.core.tastings.answers import LADDER, Method
from fallow_sieve.core.tastings.avoiding import GLUTEN
from fallow_sieve.core.tastings.panels import Stage
from fallow_sieve.core.values import BadInputError, spaced
from fallow_sieve.formats.shared import Pages
from fallow_sieve.reference import asked_so, steps_of
from fallow_sieve.services.tastings.answering import SeatNow, asked_about, seats_now
from fallow_sieve.services.tastings.table import TableNow
from fallow_sieve.services.tastings.wording import question_of

BOX_MM = 6.0
_FOOT = (
    "Something you must not eat? Ask the host before you taste. Nothing here says that a sample is free of anything."
)


def paper_sheets(here: TableNow) -> bytes:
    """Return the sheets of every seat that may taste (PDF, A4). Raises BadInputError before the table is open."""
    if here.record.stage is not Stage.OPEN:
        raise BadInputError(f"the table is {here.record.stage}", place="/stage", right="open it first")
    pages = Pages(here.record.name)
    for seat in seats_now(here):
        if seat.plates and not seat.seat.seat.dropped:
            _sheet(pages, seat)
    return pages.data()


def _sheet(pages: Pages, seat: SeatNow) -> None:
    asked = seat.here.table.asked
    pages.add_page()
    name = seat.seat.seat.name
    pages.say(f"Seat {seat.seat.seat.number}{f' · {name}' if name else ''}", 20, bold=True)
    pages.say(seat.here.record.name, 11)
    if not seat.seat.seat.asked:
        about = ", ".join("gluten" if a == GLUTEN else spaced(a) for a in asked_about(seat.here))
        if about:
            pages.ln(2)
            pages.say(f"Do you avoid any of: {about}? Then hand this sheet back before you taste.", 12, bold=True)
    pages.ln(2)
    pages.say(
        "Taste in this order, a bite and a sip of water each. One mark a line; a dash where you did not taste.", 10
    )
    if asked.warm_up:
        pages.say("First the slice without a code: it is to warm up and is not judged.", 10)
    for plate in seat.plates:
        _plate(pages, seat, seat.here.table.plates[plate].code)
    _choice(pages, seat)
    pages.ln(4)
    pages.say(_FOOT, 9)


def _plate(pages: Pages, seat: SeatNow, code: int) -> None:
    asked = seat.here.table.asked
    rows = (asked.main is Method.LIKING or bool(asked.just_right)) + len(asked.just_right)
    if not (rows or asked.words or asked.comment or asked.main is Method.RANKING):
        return
    pages.room(22 + 16 * rows + 14 * bool(asked.words))
    pages.ln(4)
    pages.say(str(code), 26, bold=True)
    if asked.main is Method.LIKING or asked.just_right:
        pages.say("How much do you like it?", 11, bold=True)
        _ladder(pages, [str(n) for n in range(1, 10)], LADDER[0], LADDER[-1], "neither")
    if asked.main is Method.RANKING:
        pages.say(f"Its place, 1 the best to {len(seat.plates)}; ties are allowed: ______", 11)
    for attribute in asked.just_right:
        row = asked_so(attribute)
        pages.say(row.ask, 11, bold=True)
        steps = steps_of(row)
        _ladder(pages, ["", "", "", "", ""], steps[0], steps[4], steps[2])
    if asked.words:
        pages.say("Tick what fits:", 11, bold=True)
        _boxes(pages, seat.words)
    if asked.comment:
        pages.say("A word about it: ______________________________________________", 11)


def _ladder(pages: Pages, steps: Sequence[str], low: str, high: str, middle: str = "") -> None:
    """Boxes in a row, the words of both ends under them."""
    x, y = pages.l_margin, pages.get_y() + 1
    pitch = (pages.epw - BOX_MM) / (len(steps) - 1)
    for n, step in enumerate(steps):
        pages.rect(x + n * pitch, y, BOX_MM, BOX_MM)
        pages.put(x + n * pitch + BOX_MM / 2 - pages.width_of(step, 10) / 2, y + 4.3, step)
    below = y + BOX_MM + 4
    pages.put(x, below, low, 8.5)
    pages.put(x + pages.epw - pages.width_of(high, 8.5), below, high, 8.5)
    if middle:
        pages.put(x + pages.epw / 2 - pages.width_of(middle, 8.5) / 2, below, middle, 8.5)
    pages.set_y(below + 2.5)


def _boxes(pages: Pages, words: Sequence[str]) -> None:
    x, y = pages.l_margin, pages.get_y() + 1
    for word in words:
        wide = BOX_MM + 2 + pages.width_of(word, 11) + 7
        if x + wide > pages.l_margin + pages.epw:
            x, y = pages.l_margin, y + BOX_MM + 2
        pages.rect(x, y, BOX_MM, BOX_MM)
        pages.put(x + BOX_MM + 2, y + 4.5, word, 11)
        x += wide
    pages.set_y(y + BOX_MM + 2)


def _choice(pages: Pages, seat: SeatNow) -> None:
    asked = seat.here.table.asked
    question = question_of(asked)
    if not question or asked.main in (Method.LIKING, Method.RANKING, Method.WORDS):
        return
    pages.ln(6)
    pages.say(question, 13, bold=True)
    codes = seat.codes[1:] if asked.main is Method.TETRAD else seat.codes
    if asked.main is Method.TETRAD:
        pages.say(f"Which goes with {seat.codes[0]}?", 11)
    _boxes(pages, [str(c) for c in codes] + (["neither"] if asked.main is Method.PAIRED else []))
