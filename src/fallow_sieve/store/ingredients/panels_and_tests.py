"""What the user found out about a bag: label panels and bench tests, each with the numbers that it gives.

A panel or test that is withdrawn stays on record and gives nothing any more.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.ingredients import Fact
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.ingredients.numbers import Stored, fact_of, keeping_aside, layers_of, put_layer, stored
from fallow_sieve.store.kitchen import touch_shelf
from fallow_sieve.store.tables import BenchTestRow, PanelRow


@dataclass(frozen=True, slots=True)
class PanelOnRecord:
    """A nutrition panel on record: as it was typed, the day it was read (ISO), and the facts that it gives."""

    id: int
    lot_id: int | None
    on: str
    withdrawn: bool
    typed: dict[str, Any]
    gives: dict[str, Fact]


@dataclass(frozen=True, slots=True)
class TestOnRecord:
    """A bench test on record: its kind, readings, day (ISO) and note, and the facts that it gives."""

    id: int
    kind: str
    lot_id: int | None
    on: str
    note: str
    withdrawn: bool
    readings: dict[str, Any]
    gives: dict[str, Fact]


def _panel(row: PanelRow) -> PanelOnRecord:
    assert row.id is not None
    return PanelOnRecord(row.id, row.lot_id, row.read_on, row.withdrawn, row.typed, _facts(row.gives))


def _test(row: BenchTestRow) -> TestOnRecord:
    assert row.id is not None
    facts = _facts(row.gives)
    return TestOnRecord(row.id, row.kind, row.lot_id, row.taken_on, row.note, row.withdrawn, row.readings, facts)


def _facts(gives: Stored) -> dict[str, Fact]:
    return {n: fact_of(record) for n, record in gives.items()}


def add_panel(
    session: Session, slug: str, lot_id: int | None, typed: dict[str, Any], facts: Mapping[str, Fact], on: str, now: str
) -> PanelOnRecord:
    """Record a label panel of an ingredient or a lot, and return it; its facts become the label layer."""
    row = PanelRow(ingredient=slug, lot_id=lot_id, read_on=on, typed=typed, gives=stored(facts), created_at=now)
    session.add(row)
    session.flush()
    _relabel(session, slug, lot_id)
    return _panel(row)


def add_test(
    session: Session,
    kind: str,
    target: tuple[str | None, int | None],
    readings: dict[str, Any],
    facts: Mapping[str, Fact],
    noted: tuple[str, str, str],
) -> TestOnRecord:
    """Record a bench test of a `target` (slug and lot id) and return it; `noted` is its day, note and time."""
    (slug, lot_id), (taken_on, note, now) = target, noted
    row = BenchTestRow(
        kind=kind,
        ingredient=slug,
        lot_id=lot_id,
        taken_on=taken_on,
        note=note,
        readings=readings,
        gives=stored(facts),
        created_at=now,
    )
    session.add(row)
    session.flush()
    if slug is not None:
        _remeasure(session, slug, lot_id)
    return _test(row)


def withdraw_panel(session: Session, panel_id: int, withdrawn: bool) -> None:
    """Take a panel out of use, or back into it. Raises NotFoundError."""
    row = session.get(PanelRow, panel_id)
    if row is None:
        raise NotFoundError("label", panel_id)
    row.withdrawn = withdrawn
    session.add(row)
    session.flush()
    _relabel(session, row.ingredient, row.lot_id)


def withdraw_test(session: Session, test_id: int, withdrawn: bool) -> None:
    """Take a test out of use, or back into it. Raises NotFoundError."""
    row = session.get(BenchTestRow, test_id)
    if row is None:
        raise NotFoundError("bench test", test_id)
    row.withdrawn = withdrawn
    session.add(row)
    session.flush()
    if row.ingredient is not None:
        _remeasure(session, row.ingredient, row.lot_id)


def _relabel(session: Session, slug: str, lot_id: int | None) -> None:
    """The label in force is the last one that is not withdrawn."""
    kept = [p for p in _panel_rows(session, slug) if p.lot_id == lot_id and not p.withdrawn]
    _put(session, slug, lot_id, "label", dict(kept[-1].gives) if kept else {})


def _remeasure(session: Session, slug: str, lot_id: int | None) -> None:
    """Of each number the last measurement that is not withdrawn is in force."""
    facts: Stored = {}
    for test in _test_rows(session, slug):
        if test.lot_id == lot_id and not test.withdrawn:
            facts |= test.gives
    _put(session, slug, lot_id, "measured", facts)


def _put(session: Session, slug: str, lot_id: int | None, layer: str, facts: Stored) -> None:
    before = layers_of(session, slug, lot_id).get(layer, {})
    put_layer(session, slug, lot_id, layer, keeping_aside(before, facts))
    touch_shelf(session, [slug])


def panels_of(session: Session, slug: str) -> list[PanelOnRecord]:
    """Return the nutrition panels of an ingredient and its lots, the oldest first."""
    return [_panel(row) for row in _panel_rows(session, slug)]


def _panel_rows(session: Session, slug: str) -> Sequence[PanelRow]:
    return session.exec(select(PanelRow).where(PanelRow.ingredient == slug).order_by(col(PanelRow.id))).all()


def tests_of(session: Session, slug: str) -> list[TestOnRecord]:
    """Return the bench tests of an ingredient and its lots, the oldest first."""
    return [_test(row) for row in _test_rows(session, slug)]


def _test_rows(session: Session, slug: str) -> Sequence[BenchTestRow]:
    query = select(BenchTestRow).where(BenchTestRow.ingredient == slug)
    return session.exec(query.order_by(col(BenchTestRow.id))).all()


def scale_checks(session: Session) -> list[TestOnRecord]:
    """Return the checks of the kitchen's scale, the oldest first."""
    query = select(BenchTestRow).where(BenchTestRow.kind == "scale").order_by(col(BenchTestRow.id))
    return [_test(row) for row in session.exec(query)]
