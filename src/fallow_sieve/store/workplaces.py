"""Where the kitchen works, the rises that ended there, and the starters that it keeps."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.schedule.learning import FinishedRise, HeatedOven, MixedDough, Taught
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import FeedingRow, ObservationRow, StarterRow, WorkplaceRow
from fallow_sieve.store.versions import save_versioned

Observation = FinishedRise | MixedDough | HeatedOven


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


def taught_in(session: Session) -> Taught:
    """Return what the kitchen's plans have taught, what was withdrawn left out."""
    rows = list(session.exec(select(ObservationRow).where(col(ObservationRow.withdrawn).is_(False))))
    return Taught(
        tuple(FinishedRise(r.use, r.formula, r.expected, r.seen) for r in rows if r.learner == "rise"),
        tuple(MixedDough(r.use, r.formula, r.expected, r.seen) for r in rows if r.learner == "dough"),
        tuple(HeatedOven(r.formula, r.expected, r.seen) for r in rows if r.learner == "oven"),
    )


def add_observation(session: Session, schedule_id: int, step: str, what: Observation, seen_at: str) -> None:
    """Note what a step of a schedule taught; the same said again takes the place of what it was."""
    learner, use, formula, expected, seen = _as_row(what)
    query = select(ObservationRow).where(
        ObservationRow.schedule_id == schedule_id, ObservationRow.step == step, ObservationRow.learner == learner
    )
    for row in session.exec(query):
        row.withdrawn = True
        session.add(row)
    session.add(
        ObservationRow(
            schedule_id=schedule_id,
            learner=learner,
            use=use,
            formula=formula,
            step=step,
            expected=expected,
            seen=seen,
            seen_at=seen_at,
        )
    )
    session.flush()


def _as_row(what: Observation) -> tuple[str, str, str, float, float]:
    if isinstance(what, FinishedRise):
        return "rise", what.use, what.formula, what.planned_h, what.took_h
    if isinstance(what, MixedDough):
        return "dough", what.use, what.formula, what.planned_c, what.dough_c
    return "oven", "", what.oven, what.predicted_min, what.took_min


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
