"""Tastings on record: tables with their seats, and the log of what was done."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.tastings.panels import Asked, Seat, Stage
from fallow_sieve.core.tastings.plates import Plate
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import SeatRow, TastingLogRow, TastingRow
from fallow_sieve.store.tastings.records_of import (
    asked_of,
    avoids_record,
    plates_of,
    seat_of,
)
from fallow_sieve.store.versions import save_versioned

Record = dict[str, Any]


@dataclass(frozen=True, slots=True)
class TastingOnRecord:
    """A table: its samples as they were chosen (what they hold is looked up), what is asked, its plates, its stage."""

    name: str
    samples: Sequence[Mapping[str, Any]] = ()
    asked: Asked = field(default_factory=Asked)
    plates: Mapping[int, Plate] = field(default_factory=dict)
    stage: Stage = Stage.SETTING
    note: str = ""
    archived: bool = False
    created_at: str = ""
    updated_at: str = ""
    opened_at: str = ""
    closed_at: str = ""
    unblinded_at: str = ""
    unblinded_by: str = ""
    version: int = 1
    id: int = 0


_SAME = (
    "name", "samples", "note", "archived", "created_at", "updated_at", "opened_at", "closed_at", "unblinded_at",
    "unblinded_by", "version",
)  # fmt: skip
CHANGES = frozenset({"name", "samples", "asked", "note", "archived"})


def add_tasting(session: Session, name: str, now: str) -> TastingOnRecord:
    """Add a table that is to be set; return it with its id."""
    row = TastingRow(name=name, created_at=now, updated_at=now)
    session.add(row)
    session.flush()
    return _value(row)


def get_tasting(session: Session, tasting_id: int) -> TastingOnRecord:
    """Return a table. Raises NotFoundError."""
    return _value(_row(session, tasting_id))


def save_tasting(session: Session, tasting_id: int, values: Record, version: int, now: str) -> TastingOnRecord:
    """Save what may change of a table by hand if `version` is current, else raise StaleSaveError."""
    row = _row(session, tasting_id)
    allowed = {n: v for n, v in values.items() if n in CHANGES}
    save_versioned(session, row, {**allowed, "updated_at": now}, version)
    session.flush()
    return _value(row)


def go_on(session: Session, tasting_id: int, stage: Stage, now: str, **values: Any) -> TastingOnRecord:
    """Set a table's stage with what belongs to it: plates when it opens, times, who unblinded it."""
    row = _row(session, tasting_id)
    row.stage, row.updated_at, row.version = stage, now, row.version + 1
    for name, value in values.items():
        setattr(row, name, value)
    session.add(row)
    session.flush()
    return _value(row)


def page_of_tastings(session: Session, before: int = 0, limit: int = 50) -> list[TastingOnRecord]:
    """Return at most `limit` tables that are not put away, the newest first, those before the id `before`."""
    query = select(TastingRow).where(col(TastingRow.archived).is_(False))
    if before:
        query = query.where(col(TastingRow.id) < before)
    return [_value(r) for r in session.exec(query.order_by(col(TastingRow.id).desc()).limit(limit))]


def latest_plates(session: Session, tables: int) -> list[int]:
    """Return the codes (100–999) of the last tables that were opened."""
    query = select(TastingRow).where(TastingRow.opened_at != "").order_by(col(TastingRow.opened_at).desc())
    return [p.code for row in session.exec(query.limit(tables)) for p in plates_of(row.plates).values()]


@dataclass(frozen=True, slots=True)
class SeatOnRecord:
    """A seat with its id in the store, its table, and since when (ISO, UTC) its taster is at it."""

    id: int
    tasting_id: int
    seat: Seat
    begun_at: str = ""


def seats_of(session: Session, tasting_ids: Iterable[int]) -> dict[int, list[SeatOnRecord]]:
    """Return the seats of tables, by table, in the order of their numbers."""
    wanted = list(tasting_ids)
    found: dict[int, list[SeatOnRecord]] = {n: [] for n in wanted}
    query = select(SeatRow).where(col(SeatRow.tasting_id).in_(wanted)).order_by(col(SeatRow.number))
    for row in session.exec(query):
        found[row.tasting_id].append(_seat(row))
    return found


def get_seat(session: Session, seat_id: int) -> SeatOnRecord:
    """Return a seat by its id. Raises NotFoundError."""
    row = session.get(SeatRow, seat_id)
    if row is None:
        raise NotFoundError("seat", seat_id)
    return _seat(row)


def put_seats(session: Session, tasting_id: int, seats: Sequence[Seat]) -> None:
    """Set the seats of a table that is still being set."""
    for row in session.exec(select(SeatRow).where(SeatRow.tasting_id == tasting_id)).all():
        session.delete(row)
    session.flush()
    for seat in seats:
        add_seat(session, tasting_id, seat)


def add_seat(session: Session, tasting_id: int, seat: Seat) -> SeatOnRecord:
    """Add a seat to a table; return it with its id."""
    row = SeatRow(tasting_id=tasting_id, number=seat.number, **_seat_values(seat))
    session.add(row)
    session.flush()
    return _seat(row)


def save_seat(session: Session, seat_id: int, seat: Seat, begun_at: str | None = None) -> SeatOnRecord:
    """Save a seat; `begun_at` (ISO, UTC) notes that its taster opened it. Raises NotFoundError."""
    row = session.get(SeatRow, seat_id)
    if row is None:
        raise NotFoundError("seat", seat_id)
    for name, value in _seat_values(seat).items():
        setattr(row, name, value)
    row.begun_at = row.begun_at if begun_at is None else begun_at
    session.add(row)
    session.flush()
    return _seat(row)


@dataclass(frozen=True, slots=True)
class Logged:
    """What was done at a table: when (ISO, UTC), what, by whom, why."""

    at: str
    what: str
    who: str = ""
    detail: str = ""


def log(session: Session, tasting_id: int, logged: Logged) -> None:
    """Add a line to the log of a table."""
    session.add(
        TastingLogRow(tasting_id=tasting_id, at=logged.at, what=logged.what, who=logged.who, detail=logged.detail)
    )
    session.flush()


def log_of(session: Session, tasting_id: int) -> list[Logged]:
    """Return the log of a table, the first line first."""
    query = select(TastingLogRow).where(TastingLogRow.tasting_id == tasting_id).order_by(col(TastingLogRow.id))
    return [Logged(r.at, r.what, r.who, r.detail) for r in session.exec(query)]


def _row(session: Session, tasting_id: int) -> TastingRow:
    row = session.get(TastingRow, tasting_id)
    if row is None:
        raise NotFoundError("tasting", tasting_id)
    return row


def _value(row: TastingRow) -> TastingOnRecord:
    assert row.id is not None
    return TastingOnRecord(
        **{n: getattr(row, n) for n in _SAME},
        asked=asked_of(row.asked),
        plates=plates_of(row.plates),
        stage=Stage(row.stage),
        id=row.id,
    )


def _seat_values(seat: Seat) -> Record:
    return {
        "name": seat.name,
        "avoids": avoids_record(seat.avoids),
        "left_out": sorted(seat.leaving.left_out),
        "lifted": {str(n): why for n, why in seat.leaving.lifted.items()},
        "plates": list(seat.order),
        "asked": seat.asked,
        "handed_in_at": seat.handed_in_at,
        "dropped": seat.dropped,
    }


def _seat(row: SeatRow) -> SeatOnRecord:
    assert row.id is not None
    return SeatOnRecord(row.id, row.tasting_id, seat_of(row), row.begun_at)
