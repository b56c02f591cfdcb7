"""Where the kitchen works, the rises that ended there, and the starters that it keeps."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.schedule.learning import FinishedRise
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import FeedingRow, FinishedRiseRow, StarterRow, WorkplaceRow
from fallow_sieve.store.versions import save_versioned


@dataclass(frozen=True, slots=True)
class Workplace:
    """The kitchen's time zone ("" not said), the record of its hours, ovens and temperatures, and its version."""

    zone: str
    content: dict[str, Any]
    version: int


def workplace_of(session: Session) -> Workplace:
    """Return where the kitchen works; version 1 and nothing said where it never was."""
    row = session.get(WorkplaceRow, 1)
    return Workplace(row.zone, dict(row.content), row.version) if row else Workplace("", {}, 1)


def save_workplace(session: Session, zone: str, content: dict[str, Any], version: int) -> Workplace:
    """Save where the kitchen works if `version` is current, else raise StaleSaveError."""
    row = session.get(WorkplaceRow, 1)
    if row is None:
        row = WorkplaceRow()
        session.add(row)
        session.flush()
    save_versioned(session, row, {"zone": zone, "content": content}, version)
    return Workplace(row.zone, dict(row.content), row.version)


def rises_of(session: Session) -> tuple[FinishedRise, ...]:
    """Return the rises that ended here (hours at 26 °C), those withdrawn left out."""
    rows = session.exec(select(FinishedRiseRow).where(col(FinishedRiseRow.withdrawn).is_(False)))
    return tuple(FinishedRise(r.use, r.formula, r.planned_h, r.took_h) for r in rows)


def add_rise(session: Session, schedule_id: int | None, rise: FinishedRise, step: str, ended_at: str) -> None:
    """Note a rise (hours at 26 °C) that ended; the same step of the same schedule takes the place of what it was."""
    query = select(FinishedRiseRow).where(
        FinishedRiseRow.schedule_id == schedule_id,
        FinishedRiseRow.step == step,
        FinishedRiseRow.formula == rise.formula,
    )
    for row in session.exec(query):
        row.withdrawn = True
        session.add(row)
    session.add(
        FinishedRiseRow(
            schedule_id=schedule_id,
            use=rise.use,
            formula=rise.formula,
            step=step,
            planned_h=rise.planned_h,
            took_h=rise.took_h,
            ended_at=ended_at,
        )
    )
    session.flush()


@dataclass(frozen=True, slots=True)
class FeedingOnRecord:
    """A feeding of a starter: g, °C, instants (ISO 8601)."""

    id: int
    starter_id: int
    fed_at: str
    seed_g: float
    flour_g: float
    water_g: float
    temp_c: float
    peaked_at: str | None
    chilled_at: str | None
    note: str


@dataclass(frozen=True, slots=True)
class StarterOnRecord:
    """A starter that the kitchen keeps, with its feedings, the latest first."""

    id: int
    name: str
    school: str
    archived: bool
    version: int
    feedings: tuple[FeedingOnRecord, ...]


def starters_of(session: Session) -> list[StarterOnRecord]:
    """Return the starters of the kitchen, by name."""
    return [_starter(session, row) for row in session.exec(select(StarterRow).order_by(col(StarterRow.name)))]


def add_starter(session: Session, name: str, school: str, now: str) -> StarterOnRecord:
    """Add a starter."""
    row = StarterRow(name=name, school=school, created_at=now)
    session.add(row)
    session.flush()
    return _starter(session, row)


def add_feeding(session: Session, starter_id: int, given: dict[str, Any]) -> StarterOnRecord:
    """Add a feeding (g, °C) to a starter. Raises NotFoundError."""
    row = _starter_row(session, starter_id)
    session.add(FeedingRow(starter_id=starter_id, **given))
    session.flush()
    return _starter(session, row)


def change_feeding(session: Session, feeding_id: int, given: dict[str, Any]) -> StarterOnRecord:
    """Say when a feeding peaked or was chilled, or that it was a slip. Raises NotFoundError."""
    feeding = session.get(FeedingRow, feeding_id)
    if feeding is None:
        raise NotFoundError("feeding", feeding_id)
    for name, value in given.items():
        setattr(feeding, name, value)
    session.add(feeding)
    session.flush()
    return _starter(session, _starter_row(session, feeding.starter_id))


def _starter_row(session: Session, starter_id: int) -> StarterRow:
    row = session.get(StarterRow, starter_id)
    if row is None:
        raise NotFoundError("starter", starter_id)
    return row


def _starter(session: Session, row: StarterRow) -> StarterOnRecord:
    query = select(FeedingRow).where(FeedingRow.starter_id == row.id, col(FeedingRow.withdrawn).is_(False))
    fed = session.exec(query.order_by(col(FeedingRow.fed_at).desc(), col(FeedingRow.id).desc()))
    names = FeedingOnRecord.__dataclass_fields__
    feedings = tuple(FeedingOnRecord(**{n: getattr(f, n) for n in names}) for f in fed)
    return StarterOnRecord(row.id or 0, row.name, row.school, row.archived, row.version, feedings)
