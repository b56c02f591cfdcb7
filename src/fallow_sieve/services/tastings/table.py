"""A table as it stands: its samples, seats, plates and answers, and who is blocked from what."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.tastings.avoiding import Block, standing_blocks
from fallow_sieve.core.tastings.panels import Seat
from fallow_sieve.core.tastings.plates import served
from fallow_sieve.core.tastings.tallies import Table
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.tastings.samples import samples_of
from fallow_sieve.store.tastings import SeatOnRecord, TastingOnRecord, answers_of, get_tasting, seats_of

Blocks = Mapping[int, tuple[Block, ...]]  # by the number of the sample


@dataclass(frozen=True, slots=True)
class TableNow:
    """A table on record with all that is known of it; `blocked` by the number of the seat."""

    record: TastingOnRecord
    table: Table
    seats: tuple[SeatOnRecord, ...]
    blocked: Mapping[int, Blocks]

    def served(self, seat: Seat) -> tuple[int, ...]:
        """Return the plates (numbers) that a seat may have: its order without what is left out.

        A seat with a block that nothing was done about gets none at all: somebody has to look at it first.
        """
        if self.blocked.get(seat.number) or seat.dropped:
            return ()
        return served(seat.order, self.table.plates, seat.leaving.left_out, self.table.asked.main)


def table_now(session: Session, tasting_id: int, kitchen: KitchenNow) -> TableNow:
    """Return a table as it stands now. Raises NotFoundError."""
    record = get_tasting(session, tasting_id)
    seats = tuple(seats_of(session, [tasting_id])[tasting_id])
    given = answers_of(session, [s.id for s in seats])
    samples = samples_of(session, record.samples, kitchen.shelf)
    table = Table(
        asked=record.asked,
        samples=samples,
        seats=tuple(s.seat for s in seats),
        plates=record.plates,
        given={s.seat.number: given[s.id] for s in seats},
    )
    holds = {s.number: s.holds for s in samples}
    blocked = {s.seat.number: standing_blocks(s.seat.avoids, holds, s.seat.leaving) for s in seats}
    return TableNow(record, table, seats, blocked)
