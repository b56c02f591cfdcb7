"""A seat's own view: its plates in its order, what it is asked, what it answered; and answers as they come."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace

from sqlmodel import Session

from fallow_sieve.core.tastings.avoiding import Leaving, asked_of, blocks, said_by
from fallow_sieve.core.tastings.panels import Stage
from fallow_sieve.core.tastings.sheets import Answer, Key, check_answer, is_done, key_of, word_order
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.tastings.table import TableNow, table_now
from fallow_sieve.store import NotFoundError
from fallow_sieve.store.tastings import Logged, SeatOnRecord, get_seat, log, put_answer, save_seat


@dataclass(frozen=True, slots=True)
class SeatNow:
    """A seat with its table, the plates it may have in its order, and its answers by question."""

    here: TableNow
    seat: SeatOnRecord
    plates: tuple[int, ...]
    given: Mapping[Key, Answer]

    @property
    def codes(self) -> list[int]:
        """The codes (100–999) of its plates, in its order."""
        return [self.here.table.plates[p].code for p in self.plates]

    @property
    def words(self) -> list[str]:
        """The words in this seat's own order."""
        return word_order(self.here.table.asked.words, self.here.record.id, self.seat.seat.number)

    def is_done(self, plate: int) -> bool:
        """Return whether a plate's main question is answered."""
        return is_done(plate, self.here.table.asked, self.given)


def seat_now(session: Session, seat_id: int, kitchen: KitchenNow) -> SeatNow:
    """Return a seat as its taster sees it. Raises NotFoundError, also once its table is closed or it was dropped."""
    seat = get_seat(session, seat_id)
    here = table_now(session, seat.tasting_id, kitchen)
    if here.record.stage is not Stage.OPEN or seat.seat.dropped:
        raise NotFoundError("sheet", "")
    return _seat(here, seat)


def _seat(here: TableNow, seat: SeatOnRecord) -> SeatNow:
    given = {key_of(a): a for a in here.table.given.get(seat.seat.number, ())}
    return SeatNow(here, seat, here.served(seat.seat), given)


def seats_now(here: TableNow) -> list[SeatNow]:
    """Return every seat of a table with its plates and answers."""
    return [_seat(here, s) for s in here.seats]


def asked_about(here: TableNow) -> tuple[str, ...]:
    """Return what an anonymous seat is asked about before its first code; codes of allergens, and gluten."""
    return asked_of(s.holds for s in here.table.samples)


def say_avoids(session: Session, found: SeatNow, ticked: Collection[str], now: str) -> None:
    """Note what an anonymous taster avoids: what matches is left out at once, and the host is called."""
    seat, allowed = found.seat.seat, set(asked_about(found.here))
    avoids = said_by([t for t in ticked if t in allowed])
    blocked = frozenset(s.number for s in found.here.table.samples if blocks(avoids, s.holds))
    leaving = Leaving(seat.leaving.left_out | blocked, seat.leaving.lifted)
    save_seat(session, found.seat.id, replace(seat, avoids=avoids, leaving=leaving, asked=True), begun_at=now)
    if blocked:
        numbers = ", ".join(str(n) for n in sorted(blocked))
        log(session, found.here.record.id, Logged(now, "withheld", detail=f"seat {seat.number}, sample {numbers}"))


def note_begun(session: Session, found: SeatNow, now: str) -> None:
    """Note that a taster opened their sheet, the first time (ISO, UTC)."""
    if not found.seat.begun_at:
        save_seat(session, found.seat.id, found.seat.seat, begun_at=now)


def note_answers(session: Session, found: SeatNow, answers: Sequence[Answer], now: str) -> None:
    """Set answers of a seat; the same question again replaces the answer. Raises BadInputError for what is not asked.

    What comes after unblinding is kept as late and not counted.
    """
    stage = found.here.record.stage
    if stage is Stage.SETTING:
        raise BadInputError("the table is not open", place="/answers", right="open it first")
    if found.seat.seat.dropped:
        raise BadInputError("this seat was taken out", place="/answers", right="its answers stay as they are")
    for answer in answers:
        checked = check_answer(answer, found.here.table.asked, found.plates)
        put_answer(session, found.seat.id, checked, now, late=stage is Stage.UNBLINDED)


def hand_in(session: Session, found: SeatNow, now: str) -> None:
    """Note that a taster is done (ISO, UTC)."""
    save_seat(session, found.seat.id, replace(found.seat.seat, handed_in_at=now))


def seat_of_table(session: Session, tasting_id: int, number: int, kitchen: KitchenNow) -> SeatNow:
    """Return a seat by its number, for who types paper sheets in. Raises NotFoundError."""
    here = table_now(session, tasting_id, kitchen)
    found = next((s for s in here.seats if s.seat.number == number), None)
    if found is None:
        raise NotFoundError("seat", number)
    return _seat(here, found)
