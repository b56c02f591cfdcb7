"""What the user found out about a bag: label panels and bench tests, each with the numbers that it gives.

A panel or test that is withdrawn stays on record and gives nothing any more.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.ingredients.ingredient import Fact
from fallow_sieve.core.ingredients.nutrition_panel import Convention, Panel
from fallow_sieve.core.values.quantities import CupStandard, SpoonStandard, cup_ml, tablespoon_ml, teaspoon_ml, to_grams
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.kitchens import touch_shelf
from fallow_sieve.store.numbers import Stored, keeping_aside, layers_of, put_layer, stored
from fallow_sieve.store.tables import BenchTestRow, KitchenRow, PanelRow


def panel_of(typed: Mapping[str, Any], kitchen: KitchenRow) -> Panel:
    """Return a label as it was typed as the core's panel, by the kitchen's own cup and spoons."""
    cup, spoon = CupStandard(kitchen.cup), SpoonStandard(kitchen.tablespoon)
    volumes = {"ml": 1.0, "cup": cup_ml(cup), "tablespoon": tablespoon_ml(spoon), "teaspoon": teaspoon_ml(spoon)}
    convention, amount, weighs_g = Convention(typed["convention"]), typed["amount"], typed["weighs_g"]
    if amount is None:
        return Panel(typed["printed"], convention, weighs_g, None)
    if typed["unit"] in volumes:
        return Panel(typed["printed"], convention, weighs_g, amount * volumes[typed["unit"]])
    return Panel(typed["printed"], convention, to_grams(amount, typed["unit"]), None)


def source_of(typed: Mapping[str, Any]) -> str:
    """Return what a label states its numbers for, in words."""
    weighs = f" ({typed['weighs_g']:g} g)" if typed["weighs_g"] else ""
    return f"per {typed['amount'] or 0:g} {typed['unit']}{weighs}"


def add_panel(
    session: Session, slug: str, lot_id: int | None, typed: dict[str, Any], facts: Mapping[str, Fact], on: str, now: str
) -> PanelRow:
    """Record a label panel of an ingredient or a lot; its facts become the label layer."""
    row = PanelRow(ingredient=slug, lot_id=lot_id, read_on=on, typed=typed, gives=stored(facts), created_at=now)
    session.add(row)
    session.flush()
    _relabel(session, slug, lot_id)
    return row


def add_test(
    session: Session,
    kind: str,
    target: tuple[str | None, int | None],
    readings: dict[str, Any],
    facts: Mapping[str, Fact],
    noted: tuple[str, str, str],
) -> BenchTestRow:
    """Record a bench test of a `target` (slug and lot id); `noted` is its day, note and time of recording."""
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
    return row


def withdraw_panel(session: Session, panel_id: int, withdrawn: bool) -> PanelRow:
    """Take a panel out of use, or back into it. Raises NotFoundError."""
    row = session.get(PanelRow, panel_id)
    if row is None:
        raise NotFoundError("label", panel_id)
    row.withdrawn = withdrawn
    session.add(row)
    session.flush()
    _relabel(session, row.ingredient, row.lot_id)
    return row


def withdraw_test(session: Session, test_id: int, withdrawn: bool) -> BenchTestRow:
    """Take a test out of use, or back into it. Raises NotFoundError."""
    row = session.get(BenchTestRow, test_id)
    if row is None:
        raise NotFoundError("bench test", test_id)
    row.withdrawn = withdrawn
    session.add(row)
    session.flush()
    if row.ingredient is not None:
        _remeasure(session, row.ingredient, row.lot_id)
    return row


def _relabel(session: Session, slug: str, lot_id: int | None) -> None:
    """The label in force is the last one that is not withdrawn."""
    kept = [p for p in panels_of(session, slug) if p.lot_id == lot_id and not p.withdrawn]
    _put(session, slug, lot_id, "label", dict(kept[-1].gives) if kept else {})


def _remeasure(session: Session, slug: str, lot_id: int | None) -> None:
    """Of each number the last measurement that is not withdrawn is in force."""
    facts: Stored = {}
    for test in tests_of(session, slug):
        if test.lot_id == lot_id and not test.withdrawn:
            facts |= test.gives
    _put(session, slug, lot_id, "measured", facts)


def _put(session: Session, slug: str, lot_id: int | None, layer: str, facts: Stored) -> None:
    before = layers_of(session, slug, lot_id).get(layer, {})
    put_layer(session, slug, lot_id, layer, keeping_aside(before, facts))
    touch_shelf(session, [slug])


def panels_of(session: Session, slug: str) -> Sequence[PanelRow]:
    """Return the label panels of an ingredient and its lots, the oldest first."""
    return session.exec(select(PanelRow).where(PanelRow.ingredient == slug).order_by(col(PanelRow.id))).all()


def tests_of(session: Session, slug: str) -> Sequence[BenchTestRow]:
    """Return the bench tests of an ingredient and its lots, the oldest first."""
    query = select(BenchTestRow).where(BenchTestRow.ingredient == slug)
    return session.exec(query.order_by(col(BenchTestRow.id))).all()


def scale_checks(session: Session) -> Sequence[BenchTestRow]:
    """Return the checks of the kitchen's scale, the oldest first."""
    return session.exec(select(BenchTestRow).where(BenchTestRow.kind == "scale").order_by(col(BenchTestRow.id))).all()
