"""What seats answered: one answer for each question, the latest counts; after the table was unblinded: late."""

from __future__ import annotations

from collections.abc import Iterable

from sqlmodel import Session, col, select

from fallow_sieve.core.tastings.answers import plain
from fallow_sieve.core.tastings.sheets import Answer
from fallow_sieve.store.tables import SeatAnswerRow


def put_answer(session: Session, seat_id: int, answer: Answer, at: str, *, late: bool = False) -> None:
    """Set an answer of a seat at `at` (ISO, UTC); one that was given before is replaced."""
    key = (seat_id, answer.plate, answer.method, plain(answer.attribute), late)
    row = session.get(SeatAnswerRow, key)
    if row is None:
        row = SeatAnswerRow(
            seat_id=seat_id,
            plate=answer.plate,
            method=answer.method,
            attribute=plain(answer.attribute),
            late=late,
            at=at,
        )
    row.value, row.text, row.at = answer.value, answer.text, at
    session.add(row)
    session.flush()


def answers_of(session: Session, seat_ids: Iterable[int], *, late: bool = False) -> dict[int, list[Answer]]:
    """Return the answers of seats, by the id of the seat; with `late` those that came after and do not count."""
    wanted = list(seat_ids)
    found: dict[int, list[Answer]] = {n: [] for n in wanted}
    query = select(SeatAnswerRow).where(col(SeatAnswerRow.seat_id).in_(wanted), SeatAnswerRow.late == late)
    for row in session.exec(query.order_by(col(SeatAnswerRow.plate), col(SeatAnswerRow.attribute))):
        found[row.seat_id].append(Answer(row.plate, row.method, row.attribute, row.value, row.text))
    return found
