"""Trials on record: a bake with its frozen plan, its readings, and steps from one to the next. Nothing is deleted."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import asdict, dataclass, field
from typing import Any

from sqlalchemy import and_, func, or_
from sqlmodel import Session, col, select, text

from fallow_sieve.core.formulas import Formula
from fallow_sieve.core.trials.plan import Planned, TrialPlan
from fallow_sieve.core.trials.readings import Reading, State
from fallow_sieve.store.errors import NotFoundError, OtherReadingError
from fallow_sieve.store.formulas import FORMULAS
from fallow_sieve.store.tables import FormulaRow, ReadingRow, StepRow, TrialRow
from fallow_sieve.store.versions import save_versioned

Record = dict[str, Any]


@dataclass(frozen=True, slots=True)
class TrialOnRecord:
    """A trial: its formula (with which revision it is), plan, set-up (arms, lots, school, kinds), why and whose dough.

    `blend`, `use` and `family` are what learning goes by; times are ISO texts, `kept_h` in hours, `kept_c` in °C.
    """

    formula_id: int
    formula_revision: int | None
    name: str
    formula: Formula
    plan: TrialPlan
    setup: Mapping[str, Any] = field(default_factory=dict)
    because: Mapping[str, Any] = field(default_factory=dict)
    blend: str = ""
    use: str = ""
    family: str = ""
    baked_on: str = ""
    note: str = ""
    parent_id: int | None = None
    dough_of: int | None = None
    kept_h: float | None = None
    kept_c: float | None = None
    schedule_id: int | None = None
    set_aside: bool = False
    withdrawn: bool = False
    created_at: str = ""
    updated_at: str = ""
    version: int = 1
    id: int = 0


_SAME = tuple(n for n in TrialOnRecord.__dataclass_fields__ if n not in ("formula", "plan", "id"))
CHANGES = frozenset({"name", "note", "baked_on", "because", "set_aside", "withdrawn", "setup", "schedule_id"})


# The state of a formula's family beside its trials: whether it was renamed, or a revision kept.
FAMILY_MARK = (
    "(SELECT updated_at FROM formula WHERE id = ?1), (SELECT max(number) FROM formula_revision WHERE formula_id = ?1)"
)


def plan_record(plan: TrialPlan) -> Record:
    """Return a plan as it is stored: value, low, high and source by quantity."""
    return {n: [p.value, p.low, p.high, p.source] for n, p in plan.values.items()}


def plan_of(record: Record) -> TrialPlan:
    """Return a stored plan."""
    return TrialPlan({n: Planned(*v) for n, v in record.items()})


def add_trial(session: Session, trial: TrialOnRecord) -> TrialOnRecord:
    """Add a trial; return it with its id."""
    values = {n: getattr(trial, n) for n in _SAME}
    row = TrialRow(**values, content=FORMULAS.codec.record(trial.formula), plan=plan_record(trial.plan))
    session.add(row)
    session.flush()
    _changed(session)
    return _value(row)


def next_trial(session: Session) -> int:
    """Return the number that the next trial will have."""
    return (session.exec(select(func.max(TrialRow.id))).one() or 0) + 1


def get_trial(session: Session, trial_id: int) -> TrialOnRecord:
    """Return a trial. Raises NotFoundError."""
    return _value(_row(session, trial_id))


def save_trial(session: Session, trial_id: int, values: Record, version: int, now: str) -> TrialOnRecord:
    """Save what may change of a trial (not its plan or formula) if `version` is current, else raise StaleSaveError."""
    row = _row(session, trial_id)
    save_versioned(session, row, {**{n: v for n, v in values.items() if n in CHANGES}, "updated_at": now}, version)
    session.flush()
    _changed(session)
    return _value(row)


@dataclass(frozen=True, slots=True)
class Which:
    """Which trials: of a formula, of a blend (the key it is learnt under) or of the formulas of a brief; else all."""

    formula_id: int | None = None
    blend: str = ""
    brief_id: int | None = None


def page_of_trials(session: Session, which: Which, before: int = 0, limit: int = 50) -> list[TrialOnRecord]:
    """Return at most `limit` trials, the latest bake first, after that of id `before` (0: from the first)."""
    query = select(TrialRow).where(col(TrialRow.withdrawn).is_(False))
    if which.formula_id is not None:
        query = query.where(TrialRow.formula_id == which.formula_id)
    if which.blend:
        query = query.where(TrialRow.blend == which.blend)
    if which.brief_id is not None:
        of_brief = select(FormulaRow.id).where(FormulaRow.brief_id == which.brief_id)
        query = query.where(col(TrialRow.formula_id).in_(of_brief))
    if before:
        last = select(TrialRow.baked_on).where(TrialRow.id == before).scalar_subquery()
        earlier = and_(col(TrialRow.baked_on) == last, col(TrialRow.id) < before)
        query = query.where(or_(col(TrialRow.baked_on) < last, earlier))
    order = (col(TrialRow.baked_on).desc(), col(TrialRow.id).desc())
    return [_value(row) for row in session.exec(query.order_by(*order).limit(limit))]


def trials_of_formula(session: Session, formula_id: int) -> list[TrialOnRecord]:
    """Return the trials of a formula, the first bake first."""
    query = select(TrialRow).where(TrialRow.formula_id == formula_id, col(TrialRow.withdrawn).is_(False))
    return [_value(row) for row in session.exec(query.order_by(col(TrialRow.baked_on), col(TrialRow.id)))]


def trials_named(session: Session, trial_ids: Iterable[int]) -> list[TrialOnRecord]:
    """Return the trials of these ids that there are, undone ones too."""
    query = select(TrialRow).where(col(TrialRow.id).in_(list(trial_ids)))
    return [_value(row) for row in session.exec(query)]


def every_trial(session: Session) -> list[TrialOnRecord]:
    """Return all trials, the first bake first."""
    query = select(TrialRow).where(col(TrialRow.withdrawn).is_(False))
    return [_value(row) for row in session.exec(query.order_by(col(TrialRow.baked_on), col(TrialRow.id)))]


def put_reading(session: Session, trial_id: int, reading: Reading) -> Reading:
    """Add a reading under its id; the same again changes nothing. Raises OtherReadingError for another of that id."""
    found = session.get(ReadingRow, reading.id)
    if found is not None:
        if found.trial_id != trial_id or not _is_same(found, reading):
            raise OtherReadingError(reading.id)
        return _reading(found)
    _row(session, trial_id)
    row = ReadingRow(trial_id=trial_id, **_reading_values(reading))
    session.add(row)
    session.flush()
    _changed(session)
    return _reading(row)


def last_at(session: Session, trial_id: int) -> str:
    """Return the instant (ISO, UTC) of the last reading of a trial; empty where it has none."""
    return session.exec(select(func.max(ReadingRow.at)).where(ReadingRow.trial_id == trial_id)).one() or ""


def take_back(session: Session, trial_id: int, reading_id: str, withdrawn: bool) -> Reading:
    """Take a reading back, or take it into account again. Raises NotFoundError."""
    row = session.get(ReadingRow, reading_id)
    if row is None or row.trial_id != trial_id:
        raise NotFoundError("reading", reading_id)
    row.withdrawn = withdrawn
    session.add(row)
    session.flush()
    _changed(session)
    return _reading(row)


def readings_of(session: Session, trial_ids: Iterable[int]) -> dict[int, tuple[Reading, ...]]:
    """Return the readings of trials, by trial, in the order of their instants; also those taken back."""
    wanted = list(trial_ids)
    found: dict[int, list[Reading]] = {n: [] for n in wanted}
    query = select(ReadingRow).where(col(ReadingRow.trial_id).in_(wanted))
    for row in session.exec(query.order_by(col(ReadingRow.at), col(ReadingRow.id))):
        found[row.trial_id].append(_reading(row))
    return {n: tuple(r) for n, r in found.items()}


@dataclass(frozen=True, slots=True)
class StepOnRecord:
    """A step from one trial to another: fault and cause whose change was tried, and what a hand says was found."""

    from_trial: int
    to_trial: int
    fault: str = ""
    cause: str = ""
    change: str = ""
    found_by_hand: str = ""
    created_at: str = ""
    id: int = 0


def add_step(session: Session, step: StepOnRecord) -> StepOnRecord:
    """Add a step; return it with its id."""
    row = StepRow(**{n: v for n, v in asdict(step).items() if n != "id"})
    session.add(row)
    session.flush()
    _changed(session)
    return StepOnRecord(**row.model_dump())


def steps_on_record(session: Session, trial_ids: Sequence[int] | None = None) -> list[StepOnRecord]:
    """Return the steps that lead to the trials that are named (None: to any)."""
    query = select(StepRow).order_by(col(StepRow.id))
    if trial_ids is not None:
        query = query.where(col(StepRow.to_trial).in_(trial_ids))
    return [StepOnRecord(**row.model_dump()) for row in session.exec(query)]


def say_found(session: Session, to_trial: int, found: str) -> None:
    """Set what a hand says was found at the step that leads to a trial. Raises NotFoundError where none does."""
    rows = session.exec(select(StepRow).where(StepRow.to_trial == to_trial)).all()
    if not rows:
        raise NotFoundError("step to trial", to_trial)
    for row in rows:
        row.found_by_hand = found
        session.add(row)
    session.flush()
    _changed(session)


def _changed(session: Session) -> None:
    """The kitchen's trials are others now: what was worked out from them no longer holds."""
    session.connection().execute(text("UPDATE kitchen SET trials_version = trials_version + 1"))


def _row(session: Session, trial_id: int) -> TrialRow:
    row = session.get(TrialRow, trial_id)
    if row is None:
        raise NotFoundError("trial", trial_id)
    return row


def _value(row: TrialRow) -> TrialOnRecord:
    assert row.id is not None
    same = {n: getattr(row, n) for n in _SAME}
    return TrialOnRecord(**same, formula=FORMULAS.codec.content(row.content), plan=plan_of(row.plan), id=row.id)


_READING = tuple(n for n in Reading.__dataclass_fields__ if n != "state")


def _reading_values(r: Reading) -> Record:
    return {n: getattr(r, n) for n in _READING}


def _is_same(row: ReadingRow, reading: Reading) -> bool:
    kept = _reading_values(reading) | {"withdrawn": row.withdrawn, "at": row.at}
    return all(getattr(row, n) == v for n, v in kept.items())


def _reading(row: ReadingRow) -> Reading:
    values = {n: getattr(row, n) for n in _READING}
    return Reading(**values, state=State.PLANNED if row.value is None else State.NOTED)
