"""Answers of a table as a tidy table: an answer a row; samples are named only once the table was unblinded."""

from __future__ import annotations

from fallow_sieve.core.tastings.panels import Stage
from fallow_sieve.core.tastings.sheets import COMMENT, TABLE, Answer
from fallow_sieve.formats.shared import guarded, write_csv
from fallow_sieve.services.tastings.answering import SeatNow, seats_now
from fallow_sieve.services.tastings.table import TableNow

COLUMNS = ("panel", "date", "seat", "sample", "code", "position", "method", "attribute", "value")
Cell = str | float | None


def tidy_table(here: TableNow) -> str:
    """Return the answers that count as CSV text; a choice is the code that was chosen, a comment its words."""
    names = {s.number: s.name for s in here.table.samples} if here.record.stage is Stage.UNBLINDED else {}
    rows = [
        _row(here, seat, a, names)
        for seat in seats_now(here)
        if not seat.seat.seat.dropped
        for a in seat.given.values()
    ]
    return write_csv(COLUMNS, rows)


def _row(here: TableNow, seat: SeatNow, a: Answer, names: dict[int, str]) -> list[Cell]:
    plate, value = here.table.plates.get(a.plate), a.value
    order = seat.seat.seat.order
    position = str(order.index(a.plate) + 1) if a.plate in order else ""
    said: Cell = guarded(a.text) if a.method == COMMENT else value
    sample = names.get(plate.sample, "") if plate else ""
    if a.plate == TABLE and value:
        chosen = here.table.plates[int(value)]
        said, sample = str(chosen.code), names.get(chosen.sample, "")
    return [
        guarded(here.record.name), here.record.opened_at[:10], str(seat.seat.seat.number), guarded(sample),
        str(plate.code) if plate else "", position, a.method, guarded(a.attribute), said,
    ]  # fmt: skip
