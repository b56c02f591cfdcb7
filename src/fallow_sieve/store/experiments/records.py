"""Experiments on record: what is asked of which formula, and the bakes that were planned and made."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.formulas import Formula
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.formulas import FORMULAS
from fallow_sieve.store.tables import ExperimentRow, ExperimentRunRow
from fallow_sieve.store.versions import save_versioned

Record = dict[str, Any]


@dataclass(frozen=True, slots=True)
class ExperimentOnRecord:
    """An experiment: the formula it began with, what is asked as stored, the blend its bakes are kept under."""

    name: str
    formula_id: int
    formula: Formula
    asked: Mapping[str, Any] = field(default_factory=dict)
    blend_id: int | None = None
    note: str = ""
    archived: bool = False
    created_at: str = ""
    updated_at: str = ""
    version: int = 1
    id: int = 0


@dataclass(frozen=True, slots=True)
class RunOnRecord:
    """A bake: number, day, shares (0–1 of what is varied), whose twin it is, who asked for it, its trial.

    `value` and `se` are what was typed in of the response, in its unit; `seen` is what was noted in words.
    """

    number: int
    day: int
    x: tuple[float, ...]
    replicate_of: int | None = None
    asked_by: str = "plan"
    trial_id: int | None = None
    value: float | None = None
    se: float | None = None
    failed: bool = False
    seen: str = ""


_SAME = ("name", "formula_id", "asked", "blend_id", "note", "archived", "created_at", "updated_at", "version")
CHANGES = frozenset({"name", "asked", "note", "archived"})


def add_experiment(session: Session, given: ExperimentOnRecord) -> ExperimentOnRecord:
    """Add an experiment; return it with its id."""
    content = FORMULAS.codec.record(given.formula)
    row = ExperimentRow(**{n: getattr(given, n) for n in _SAME}, content=content)
    session.add(row)
    session.flush()
    return _value(row)


def get_experiment(session: Session, experiment_id: int) -> ExperimentOnRecord:
    """Return an experiment. Raises NotFoundError."""
    return _value(_row(session, experiment_id))


def save_experiment(session: Session, experiment_id: int, values: Record, version: int, now: str) -> ExperimentOnRecord:
    """Save what may change of an experiment if `version` is current, else raise StaleSaveError."""
    row = _row(session, experiment_id)
    save_versioned(session, row, {**{n: v for n, v in values.items() if n in CHANGES}, "updated_at": now}, version)
    session.flush()
    return _value(row)


def keep_bakes_under(session: Session, experiment_id: int, blend_id: int) -> None:
    """Note the blend whose revisions an experiment's bakes are."""
    row = _row(session, experiment_id)
    row.blend_id = blend_id
    session.add(row)
    session.flush()


def page_of_experiments(session: Session, before: int = 0, limit: int = 50) -> list[ExperimentOnRecord]:
    """Return at most `limit` experiments that are not put away, the newest first, those before the id `before`."""
    query = select(ExperimentRow).where(col(ExperimentRow.archived).is_(False))
    if before:
        query = query.where(col(ExperimentRow.id) < before)
    return [_value(r) for r in session.exec(query.order_by(col(ExperimentRow.id).desc()).limit(limit))]


def runs_of(session: Session, experiment_ids: Iterable[int]) -> dict[int, list[RunOnRecord]]:
    """Return the bakes of experiments, by experiment, in the order of their numbers."""
    wanted = list(experiment_ids)
    found: dict[int, list[RunOnRecord]] = {n: [] for n in wanted}
    query = select(ExperimentRunRow).where(col(ExperimentRunRow.experiment_id).in_(wanted))
    for row in session.exec(query.order_by(col(ExperimentRunRow.number))):
        found[row.experiment_id].append(_run(row))
    return found


def put_runs(session: Session, experiment_id: int, runs: Sequence[RunOnRecord]) -> None:
    """Set the bakes of an experiment; those that are not among them are taken away."""
    kept = {r.number for r in runs}
    query = select(ExperimentRunRow).where(ExperimentRunRow.experiment_id == experiment_id)
    for row in session.exec(query).all():
        if row.number not in kept:
            session.delete(row)
    for run in runs:
        put_run(session, experiment_id, run)


def put_run(session: Session, experiment_id: int, run: RunOnRecord) -> None:
    """Set one bake of an experiment, by its number."""
    row = session.get(ExperimentRunRow, (experiment_id, run.number))
    values = {n: getattr(run, n) for n in RunOnRecord.__dataclass_fields__ if n not in ("number", "x")}
    if row is None:
        row = ExperimentRunRow(experiment_id=experiment_id, number=run.number, day=run.day)
    for name, value in values.items():
        setattr(row, name, value)
    row.x = list(run.x)
    session.add(row)
    session.flush()


def _row(session: Session, experiment_id: int) -> ExperimentRow:
    row = session.get(ExperimentRow, experiment_id)
    if row is None:
        raise NotFoundError("experiment", experiment_id)
    return row


def _value(row: ExperimentRow) -> ExperimentOnRecord:
    assert row.id is not None
    same = {n: getattr(row, n) for n in _SAME}
    return ExperimentOnRecord(**same, formula=FORMULAS.codec.content(row.content), id=row.id)


def _run(row: ExperimentRunRow) -> RunOnRecord:
    values = {n: getattr(row, n) for n in RunOnRecord.__dataclass_fields__ if n != "x"}
    return RunOnRecord(**values, x=tuple(row.x))
