"""Drills: which lot was followed, how long it took, how much of it was found."""

from __future__ import annotations

from dataclasses import dataclass

from sqlmodel import Session, col, select

from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import DrillRow


@dataclass(frozen=True, slots=True)
class Drill:
    """A drill: its lot, begun and ended (ISO, UTC; empty: it runs), g wanted and found, what was missing."""

    id: int
    lot_id: int
    begun_at: str
    ended_at: str
    wanted_g: float | None
    found_g: float | None
    missing: str


def begin_drill(session: Session, lot_id: int, wanted_g: float, now: str) -> Drill:
    """Begin a drill of a lot of which `wanted_g` g lie in bags."""
    row = DrillRow(lot_id=lot_id, begun_at=now, wanted_g=wanted_g)
    session.add(row)
    session.flush()
    return _value(row)


def end_drill(session: Session, drill_id: int, found_g: float, missing: str, now: str) -> Drill:
    """End a drill with what was found, g. Raises NotFoundError."""
    row = session.get(DrillRow, drill_id)
    if row is None:
        raise NotFoundError("drill", drill_id)
    row.ended_at, row.found_g, row.missing = now, found_g, missing.strip()
    session.add(row)
    session.flush()
    return _value(row)


def drills(session: Session) -> list[Drill]:
    """Return the drills, the latest first."""
    return [_value(r) for r in session.exec(select(DrillRow).order_by(col(DrillRow.id).desc()).limit(50))]


def _value(row: DrillRow) -> Drill:
    assert row.id is not None
    return Drill(row.id, row.lot_id, row.begun_at, row.ended_at, row.wanted_g, row.found_g, row.missing)
