"""What was done and said of a batch: steps with their values, and labels printed or checked. Only added to."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.batches.yields import Taken
from fallow_sieve.store.tables import BatchStepRow, LabelPrintRow


@dataclass(frozen=True, slots=True)
class StepDone:
    """A step that was done: its kind, minutes, what was said of it by name, a note, when (ISO, UTC)."""

    kind: str
    at: str
    minutes: float | None = None
    said: dict[str, Any] = field(default_factory=dict)
    note: str = ""


@dataclass(frozen=True, slots=True)
class Printed:
    """A label that was `printed` or `checked`: when, by which scheme, language and size, its lines, the evidence."""

    kind: str
    at: str
    scheme: str
    language: str = ""
    size: str = ""
    lines: Sequence[dict[str, Any]] = ()
    evidence: str = ""


def add_step(session: Session, batch_id: int, step: StepDone) -> None:
    """Add a step to a batch."""
    session.add(
        BatchStepRow(
            batch_id=batch_id, kind=step.kind, at=step.at, minutes=step.minutes, said=step.said, note=step.note
        )
    )
    session.flush()


def steps_of(session: Session, batch_id: int) -> list[StepDone]:
    """Return the steps of a batch, the first one first."""
    query = select(BatchStepRow).where(BatchStepRow.batch_id == batch_id).order_by(col(BatchStepRow.id))
    return [StepDone(r.kind, r.at, r.minutes, r.said, r.note) for r in session.exec(query)]


def add_print(session: Session, batch_id: int, printed: Printed) -> None:
    """Add to the record that a label was printed or checked."""
    row = LabelPrintRow(
        batch_id=batch_id, kind=printed.kind, at=printed.at, scheme=printed.scheme, language=printed.language,
        size=printed.size, lines=list(printed.lines), evidence=printed.evidence,
    )  # fmt: skip
    session.add(row)
    session.flush()


def prints_of(session: Session, batch_id: int) -> list[Printed]:
    """Return what was printed or checked of a batch, the first one first."""
    query = select(LabelPrintRow).where(LabelPrintRow.batch_id == batch_id).order_by(col(LabelPrintRow.id))
    return [Printed(r.kind, r.at, r.scheme, r.language, r.size, r.lines, r.evidence) for r in session.exec(query)]


def taken_of(steps: Sequence[StepDone]) -> Taken:
    """Return what steps say was taken out beside the bags, g: samples, the rest on the sieve, pre-mix left over."""
    sums = dict.fromkeys(Taken.__dataclass_fields__, 0.0)
    for step in steps:
        for name in sums:
            sums[name] += float(step.said.get(name, 0.0))
    return Taken(**sums)
